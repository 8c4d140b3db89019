import { Text } from 'react-aria-components/Text';
import {
  UNSTABLE_Toast as Toast,
  UNSTABLE_ToastContent as ToastContent,
  UNSTABLE_ToastQueue as ToastQueue,
  UNSTABLE_ToastRegion as ToastRegion,
} from 'react-aria-components/Toast';
import { styled } from 'styled-components';
import { Button } from './Button.tsx';
import type { Message } from './message.ts';
import { text } from './text.ts';

export const queue = new ToastQueue<Message>({ maxVisibleToasts: 3 });

// A message lies over what somebody is about to press, often right under the pointer that brought it up: a press goes
// through it to what is below, and only its own buttons take one. (Resting on it would hold it there for good.)
const Region = styled(ToastRegion)`
  pointer-events: none;
  position: fixed;
  bottom: 14px;
  left: 50%;
  transform: translateX(-50%);
  display: grid;
  gap: 8px;
  z-index: 40;
  width: min(520px, calc(100vw - 20px));
  outline: none;
  .toast {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 12px;
    padding: 8px 8px 8px 16px;
    border-radius: 12px;
    background: var(--ink);
    color: var(--paper);
    box-shadow: 0 8px 28px rgba(30, 42, 44, 0.3);
    font-size: 15px;
  }
  .toast[data-tone='stop'] {
    background: var(--stop);
  }
  .toast button {
    pointer-events: auto;
    background: transparent;
    color: inherit;
    border-color: currentColor;
  }
  .toast button:hover {
    background: rgba(255, 255, 255, 0.15);
  }
  .act {
    display: flex;
    gap: 6px;
  }
`;

/** Where messages stand; one for the whole page. */
export default function Toasts() {
  return (
    <Region queue={queue}>
      {({ toast }) => {
        const { words, tone, undo } = toast.content as Message;
        return (
          <Toast toast={toast} className="toast" data-tone={tone}>
            <ToastContent>
              <Text slot="title">{words}</Text>
            </ToastContent>
            <span className="act">
              {undo && (
                <Button small plain onPress={undo}>
                  {text('undo')}
                </Button>
              )}
              <Button small plain slot="close" aria-label={text('closeMessage')}>
                ✕
              </Button>
            </span>
          </Toast>
        );
      }}
    </Region>
  );
}
