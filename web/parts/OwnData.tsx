import { useState } from 'react';
import { words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from './Button.tsx';
import { FileLink } from './FileLink.tsx';
import { Confirm } from './Confirm.tsx';
import { Notice, Quiet, Row, Stack } from './Panel.tsx';
import { text } from './text.ts';

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
      <Quiet>{text('whoeverWrittenAboutMay')}</Quiet>
      {go.error && <Notice tone="stop">{words(go.error)}</Notice>}
      <Row>
        <FileLink small href={href}>
          {text('everythingAbout', { of })}
        </FileLink>
        <Button small plain isDisabled={go.isPending} onPress={() => setAsking(true)}>
          {text('erase', { of })}
        </Button>
      </Row>
      <Confirm
        title={text('erase2', { of })}
        words={text('namesWordsMeasuresTaken')}
        yes={text('erase3')}
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
