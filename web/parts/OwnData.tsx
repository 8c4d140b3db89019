import { useState } from 'react';
import { words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button, FileLink } from './Button.tsx';
import { Confirm } from './Confirm.tsx';
import { Notice, Quiet, Row, Stack } from './Panel.tsx';

/** What is known of a family or a child: handed over as one file, or erased, its counts kept nameless. */
export function OwnData({
  of,
  href,
  erase,
  onErased,
}: {
  of: string;
  href: string;
  erase(): Promise<void>;
  onErased(): void;
}) {
  const [isAsking, setAsking] = useState(false);
  const go = useChange(erase);
  return (
    <Stack $gap={8}>
      <Quiet>
        Whoever is written about may have all of it, or have it erased. What was counted and timed stays
        without a name. Backups from before still hold it: Place lists until when.
      </Quiet>
      {go.error && <Notice tone="stop">{words(go.error)}</Notice>}
      <Row>
        <FileLink small href={href}>
          Everything about {of}
        </FileLink>
        <Button small plain isDisabled={go.isPending} onPress={() => setAsking(true)}>
          Erase {of}
        </Button>
      </Row>
      <Confirm
        title={`Erase ${of}?`}
        words="Names, words and measures are taken away for good; only counts stay, nameless. This cannot be undone."
        yes="Erase"
        backFirst
        isOpen={isAsking}
        onYes={() => {
          setAsking(false);
          go.mutate(undefined, { onSuccess: onErased });
        }}
        onNo={() => setAsking(false)}
      />
    </Stack>
  );
}
