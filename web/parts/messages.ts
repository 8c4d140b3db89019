import { create } from 'zustand';

/** How long a message stays, and with it the time to undo, ms. */
const UNDO_MS = 8000;

const said = create<{ any: boolean }>(() => ({ any: false }));
/** Whether anything was ever said: what shows messages is loaded with the first. */
export const useAnySaid = (): boolean => said((s) => s.any);

const queue = async () => {
  said.setState({ any: true });
  return (await import('./Toasts.tsx')).queue;
};

/** Says what was done. */
export const say = (words: string): void =>
  void queue().then((q) => q.add({ words, tone: 'clear' }, { timeout: UNDO_MS }));
/** Says what was done, and offers to undo it for a while. */
export const sayUndoable = (words: string, undo: () => void): void =>
  void queue().then((q) => {
    const key = q.add(
      {
        words,
        tone: 'clear',
        undo: () => {
          q.close(key);
          undo();
        },
      },
      { timeout: UNDO_MS },
    );
  });
/** Says what went wrong; stays until it is closed. */
export const sayProblem = (words: string): void => void queue().then((q) => q.add({ words, tone: 'stop' }));

/**
 * Does something that cannot be taken back only after a while in which it can still be undone; leaving the page does it at
 * once.
 *
 * @param options.words what is said, as “The note on G-04 is deleted”
 * @param options.later what is done then; its error is said too
 * @param options.undo shows again what was hidden meanwhile
 */
export function undoable(options: { words: string; later: () => Promise<unknown>; undo: () => void }): void {
  let open = true;
  const finish = (): void => {
    if (!open) return;
    open = false;
    removeEventListener('pagehide', finish);
    options.later().catch((error: unknown) => {
      options.undo();
      sayProblem(error instanceof Error ? error.message : String(error));
    });
  };
  addEventListener('pagehide', finish);
  void queue().then((q) => {
    const key = q.add(
      {
        words: options.words,
        tone: 'clear',
        undo: () => {
          open = false;
          removeEventListener('pagehide', finish);
          options.undo();
          q.close(key);
        },
      },
      { timeout: UNDO_MS, onClose: finish },
    );
  });
}
