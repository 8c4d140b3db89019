import { create } from 'zustand';
import type { PhotoAnswer } from '../../contract/photo.ts';

interface Taken {
  readonly answer: PhotoAnswer;
  /** The photo, in this tab alone. */
  readonly src: string;
  /** Kinds of it that are on the shelf by now, by the places of their things. */
  readonly done: ReadonlySet<string>;
}

/** The photo that finds are taken from: it stays while one kind after another goes to the shelf, and is gone with the tab. */
export const useTaken = create<{
  taken: Taken | null;
  take(answer: PhotoAnswer, photo: Blob): void;
  /** What a second photo made of it. */
  mend(answer: PhotoAnswer): void;
  drop(): void;
  done(kind: string): void;
}>()((set, get) => ({
  taken: null,
  take: (answer, photo) => {
    get().drop();
    set({ taken: { answer, src: URL.createObjectURL(photo), done: new Set() } });
  },
  mend: (answer) => {
    const { taken } = get();
    if (taken) set({ taken: { ...taken, answer } });
  },
  drop: () => {
    const { taken } = get();
    if (taken) URL.revokeObjectURL(taken.src);
    set({ taken: null });
  },
  done: (kind) => {
    const { taken } = get();
    if (taken) set({ taken: { ...taken, done: new Set([...taken.done, kind]) } });
  },
}));
