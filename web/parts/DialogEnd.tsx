import { Button } from './Button.tsx';
import { Notice, Row } from './Panel.tsx';
import { text } from './text.ts';

/** How every form in a dialog ends: what is wrong with it, then what can be done. */
export const DialogEnd = ({
  problem,
  yes,
  isBusy = false,
  onClose,
  children,
}: {
  problem: string | null;
  /** What sending it does. */
  yes: string;
  isBusy?: boolean;
  onClose(): void;
  /** Buttons between the two. */
  children?: React.ReactNode;
}) => (
  <>
    {problem && <Notice tone="stop">{problem}</Notice>}
    <Row>
      <Button type="submit" isDisabled={isBusy}>
        {yes}
      </Button>
      {children}
      <Button plain onPress={onClose}>
        {text('cancel')}
      </Button>
    </Row>
  </>
);
