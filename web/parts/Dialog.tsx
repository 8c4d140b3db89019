import { Dialog as AriaDialog } from 'react-aria-components/Dialog';
import { Heading } from 'react-aria-components/Heading';
import { Modal, ModalOverlay } from 'react-aria-components/Modal';
import { styled } from 'styled-components';

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: rgba(30, 42, 44, 0.45);
  display: grid;
  place-items: center;
  padding: 12px;
  z-index: 20;
`;
const Card = styled(Modal)<{ $wide?: boolean }>`
  background: var(--paper);
  border-radius: 14px;
  width: min(${(p) => (p.$wide ? 720 : 480)}px, 100%);
  max-height: calc(100dvh - 24px);
  overflow: auto;
  padding: 20px;
  box-shadow: 0 18px 60px rgba(30, 42, 44, 0.35);
  .title {
    font: 700 21px/1.2 var(--display);
    margin: 0 0 14px;
  }
  [role='dialog'],
  [role='alertdialog'] {
    outline: none;
  }
`;

/** The one dialog. Escape and a press beside it close it. */
export function Dialog({
  title,
  isOpen,
  onClose,
  children,
  wide,
  mustAnswer = false,
}: {
  title: string;
  isOpen: boolean;
  onClose(): void;
  children: React.ReactNode;
  wide?: boolean;
  mustAnswer?: boolean;
}) {
  return (
    <Over
      isOpen={isOpen}
      onOpenChange={(open) => !open && onClose()}
      isDismissable={!mustAnswer}
      isKeyboardDismissDisabled={mustAnswer}
    >
      <Card $wide={wide ?? false}>
        <AriaDialog role={mustAnswer ? 'alertdialog' : 'dialog'}>
          <Heading slot="title" className="title">
            {title}
          </Heading>
          {children}
        </AriaDialog>
      </Card>
    </Over>
  );
}
