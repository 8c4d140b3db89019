import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { Row, Stack } from './Panel.tsx';
import { text } from './text.ts';

/** Asks before something is lost: what is done by its own word, and a way back. */
export const Confirm = ({
  title,
  words,
  yes,
  no = text('cancel'),
  isOpen,
  isBusy = false,
  backFirst = false,
  onYes,
  onNo,
}: {
  title: string;
  words: string;
  yes: string;
  no?: string;
  isOpen: boolean;
  isBusy?: boolean;
  /** Whether going back is what most will want, so that it stands first and filled. */
  backFirst?: boolean;
  onYes(): void;
  onNo(): void;
}) => {
  const action = (
    <Button plain={backFirst} isDisabled={isBusy} onPress={onYes}>
      {yes}
    </Button>
  );
  const back = (
    <Button plain={!backFirst} onPress={onNo}>
      {no}
    </Button>
  );
  return (
    <Dialog title={title} isOpen={isOpen} onClose={onNo} mustAnswer>
      <Stack>
        <p>{words}</p>
        <Row>
          {backFirst ? back : action}
          {backFirst ? action : back}
        </Row>
      </Stack>
    </Dialog>
  );
};
