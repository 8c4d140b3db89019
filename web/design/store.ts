import { create } from 'zustand';
import type { Design } from '../../contract/designs.ts';
import { api, ApiError, words } from '../data/api.ts';
import { client } from '../data/queries.ts';

export type Saving = 'saved' | 'waiting' | 'saving' | 'conflict' | 'failed';

interface OpenDesign {
  /** As on this screen. */
  draft: Design | null;
  saving: Saving;
  problem: string | null;
  /** What the server holds, when another screen was first. */
  theirs: Design | null;
  open(design: Design): void;
  change(part: Partial<Omit<Design, 'id' | 'version'>>): void;
  dial(id: string, value: unknown): void;
  /** Sends what is not saved yet; resolves when there is nothing left to send. */
  flush(): Promise<void>;
  keepMine(): void;
  takeTheirs(): void;
}

const PAUSE = 500;
let timer: ReturnType<typeof setTimeout> | null = null;
let running: Promise<void> | null = null;

/** The open design: dials move here at once, and go to the server after a pause with the version they grew from. */
export const useOpenDesign = create<OpenDesign>()((set, get) => {
  const later = (): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void get().flush(), PAUSE);
  };
  const send = async (): Promise<void> => {
    const sent = get().draft;
    if (!sent) return;
    set({ saving: 'saving' });
    try {
      const { id, ...body } = sent;
      const saved = await api<Design>('PUT', `/designs/${id}`, body);
      const now = get().draft;
      if (now?.id !== id) return;
      // What was turned while this was on its way goes next, from the new version.
      const more = now !== sent;
      set({ draft: { ...now, version: saved.version }, saving: more ? 'waiting' : 'saved', problem: null });
      client.setQueryData<Design[]>(['designs'], (all) => all?.map((d) => (d.id === id ? saved : d)));
      if (more) await send();
    } catch (error) {
      if (error instanceof ApiError && error.problem.status === 409)
        set({ saving: 'conflict', theirs: error.problem.current as Design, problem: error.message });
      else set({ saving: 'failed', problem: words(error) });
    }
  };
  return {
    draft: null,
    saving: 'saved',
    problem: null,
    theirs: null,
    open: (design) => {
      if (timer) clearTimeout(timer);
      set({ draft: design, saving: 'saved', problem: null, theirs: null });
    },
    change: (part) => {
      const { draft, saving } = get();
      if (!draft) return;
      set({ draft: { ...draft, ...part }, saving: saving === 'conflict' ? 'conflict' : 'waiting' });
      if (saving !== 'conflict') later();
    },
    dial: (id, value) => {
      const { draft } = get();
      if (draft) get().change({ dials: { ...draft.dials, [id]: value } });
    },
    flush: async () => {
      if (timer) clearTimeout(timer);
      timer = null;
      if (running) await running;
      if (get().saving !== 'waiting' && get().saving !== 'failed') return;
      running = send().finally(() => (running = null));
      await running;
    },
    keepMine: () => {
      const { draft, theirs } = get();
      if (!draft || !theirs) return;
      set({ draft: { ...draft, version: theirs.version }, theirs: null, saving: 'waiting', problem: null });
      void get().flush();
    },
    takeTheirs: () => {
      const { theirs } = get();
      if (theirs) set({ draft: theirs, theirs: null, saving: 'saved', problem: null });
      void client.invalidateQueries({ queryKey: ['designs'] });
    },
  };
});
