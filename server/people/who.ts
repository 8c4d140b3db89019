import { AsyncLocalStorage } from 'node:async_hooks';
import type { PersonRole } from '../../contract/people.ts';

/** Who asked for what is being done now. */
export interface Asking {
  who: string | null;
  /** Method and address, as the door knows it once it was found. */
  asked: string;
  /** What the door says is done, in words; null where it says that nothing is. */
  does: string | null;
  /** Who asks, or from where: what places at work are shared by. */
  readonly from: string;
  /** Whether it may change something. */
  readonly writes: boolean;
  /** Set once it is on record: one request is one line, however often it writes. */
  isKept: boolean;
  /** Where the door can be gone back through the same day: what it did, for whom it opens. */
  undoable: { readonly did: string; readonly role: PersonRole } | null;
  /** What it is taken back by, once it was done. */
  doneId: number | null;
}

const asking = new AsyncLocalStorage<Asking>();
/** Runs something for whoever asked. */
export const askedBy = <T>(a: Asking, work: () => T): T => asking.run(a, work);
/** Whoever asked for what runs now; undefined where the server does it by itself. */
export const whoAsks = (): Asking | undefined => asking.getStore();
