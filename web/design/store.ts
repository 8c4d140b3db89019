import { sayProblem } from '../parts/messages.ts';
import { create } from 'zustand';
import type { Design } from '../../contract/designs.ts';
import { api, ApiError, words } from '../data/api.ts';
import { client } from '../data/queries.ts';
import { keepUnsaved, readUnsaved, type AllUnsaved, type Unsaved } from './unsaved.ts';
import { text } from './text.ts';

export type Saving = 'saved' | 'waiting' | 'saving' | 'conflict' | 'failed';

interface OpenDesign {
  /** As on this screen. */
  draft: Design | null;
  saving: Saving;
  problem: string | null;
  /** What the server holds, when another screen was first. */
  theirs: Design | null;
  /** Why nothing is changed here: who is signed in may not design. Null where it may be. */
  locked: string | null;
  setLocked(why: string | null): void;
  /** Told who is signed in, null for nobody: what somebody else did not save stays theirs, and is back when they are. */
  setWho(who: string | null): void;
  /** Designs that are not open and whose last changes are not saved: kept, shown, and sent again. */
  unsaved: AllUnsaved;
  open(design: Design): void;
  change(part: Partial<Omit<Design, 'id' | 'version'>>): void;
  dial(id: string, value: unknown): void;
  /** Whether something was changed since the design was opened, and takes the last change back. */
  canUndo: boolean;
  undo(): void;
  /** Sends what is not saved yet; resolves when there is nothing left to send. */
  flush(): Promise<void>;
  /** Keeps what is not saved in this browser, as when the page is left. */
  keep(): void;
  /** Sends again what failed before, of designs that are not open too. */
  retry(): Promise<void>;
  keepMine(): void;
  takeTheirs(): void;
  /** The design is gone: nothing of it is to be sent any more. */
  forget(id: number): void;
}

const PAUSE = 500;
/** Turns of one dial that follow each other this closely are one change to take back, ms. */
const ONE_TURN = 1000;
/** Changes that can be taken back. */
const MOST_PAST = 100;
/** Between two tries of what failed, ms. */
const RETRY = 10_000;
let timer: ReturnType<typeof setTimeout> | null = null;
let retrying: ReturnType<typeof setTimeout> | null = null;
let running: Promise<void> | null = null;
/** Who is signed in; null for nobody. */
let who: string | null = null;
/** The open design as it was before each change, the last at the end. */
let past: Design[] = [];
let lastChange = { of: '', at: 0 };

const put = async (design: Design): Promise<Design> => {
  const { id, ...body } = design;
  try {
    return await api<Design>('PUT', `/designs/${id}`, body);
  } catch (error) {
    // The page was left while a save was on its way: the server has it already.
    const { theirs } = failure(error);
    if (theirs && sameContent(theirs, design)) return theirs;
    throw error;
  }
};
const listed = (saved: Design): void => {
  client.setQueryData<Design[]>(['designs'], (all) => all?.map((d) => (d.id === saved.id ? saved : d)));
  void client.invalidateQueries({ queryKey: ['designs', 'needs'] });
};
/** What a failed save leaves behind: why, and what the server holds where another screen was first. */
const failure = (error: unknown): Omit<Unsaved, 'draft'> => ({
  problem: words(error),
  theirs:
    error instanceof ApiError && error.problem.status === 409 && error.problem.current
      ? (error.problem.current as Design)
      : null,
});

/** Whether two states of a design say the same: a save that was taken, though its answer was lost, is no conflict. */
const sameContent = (a: Design, b: Design): boolean => {
  // A name that follows what it is is said by the server.
  const content = ({ version: _, made: __, id: ___, name, ...rest }: Design): unknown =>
    rest.ownName === false ? rest : { ...rest, name };
  return canonical(content(a)) === canonical(content(b));
};
const canonical = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** What a change is of: the fields, of dials and materials those that differ. */
function changed(draft: Design, part: Partial<Design>): string {
  return Object.entries(part)
    .map(([field, value]) => {
      if (field !== 'dials' && field !== 'materials') return field;
      const before = draft[field] as Record<string, unknown>;
      const after = value as Record<string, unknown>;
      return Object.keys(after)
        .filter((k) => canonical(after[k]) !== canonical(before[k]))
        .join(' ');
    })
    .join(' ');
}

/** The open design: dials move here at once, and go to the server after a pause with the version they grew from. */
export const useOpenDesign = create<OpenDesign>()((set, get) => {
  const later = (): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void get().flush(), PAUSE);
  };
  const stash = (unsaved: AllUnsaved): void => {
    set({ unsaved });
    keepUnsaved(unsaved, who);
  };
  /** The open design among those not saved, or out of them. */
  const own = (): AllUnsaved => {
    const { draft, saving, problem, theirs, unsaved } = get();
    if (!draft) return unsaved;
    const { [draft.id]: _, ...others } = unsaved;
    return saving === 'saved'
      ? others
      : { ...others, [draft.id]: { draft, problem: problem ?? text('wasNotSentYet'), theirs } };
  };
  const tryLater = (): void => {
    if (retrying) clearTimeout(retrying);
    retrying = setTimeout(() => void get().retry(), RETRY);
  };
  const send = async (): Promise<void> => {
    const sent = get().draft;
    if (!sent) return;
    set({ saving: 'saving' });
    try {
      const saved = await put(sent);
      listed(saved);
      const now = get().draft;
      if (now?.id !== sent.id) {
        // Another design was opened meanwhile; what was turned after this was sent waits among the unsaved.
        const held = get().unsaved[sent.id];
        if (held?.draft === sent) get().forget(sent.id);
        else if (held)
          stash({
            ...get().unsaved,
            [sent.id]: { ...held, draft: { ...held.draft, version: saved.version } },
          });
        return;
      }
      // What was turned while this was on its way goes next, from the new version.
      const more = now !== sent;
      set({
        draft: {
          ...now,
          version: saved.version,
          made: saved.made,
          name: now.ownName === false ? saved.name : now.name,
        },
        saving: more ? 'waiting' : 'saved',
        problem: null,
      });
      stash(own());
      if (more) await send();
    } catch (error) {
      const failed = failure(error);
      if (get().draft?.id === sent.id) {
        set({ saving: failed.theirs ? 'conflict' : 'failed', ...failed });
        stash(own());
      } else {
        const { draft } = get().unsaved[sent.id] ?? { draft: sent };
        stash({ ...get().unsaved, [sent.id]: { draft, ...failed } });
      }
      if (!failed.theirs) tryLater();
    }
  };
  const first = readUnsaved();
  if (Object.keys(first).length > 0) tryLater();
  return {
    draft: null,
    locked: null,
    setLocked: (locked) => set({ locked }),
    setWho: (next) => {
      if (next === who) return;
      get().keep();
      if (timer) clearTimeout(timer);
      timer = null;
      const { draft, saving } = get();
      who = next;
      set({ unsaved: readUnsaved(who) });
      if (!draft) return;
      // Of somebody else's changes nothing stays on the screen: what the server holds does, or what this one left.
      const saved =
        saving === 'saved'
          ? draft
          : client.getQueryData<Design[]>(['designs'])?.find((d) => d.id === draft.id);
      set({ draft: null, saving: 'saved', problem: null, theirs: null, canUndo: false });
      past = [];
      if (saved) get().open(saved);
      if (Object.keys(get().unsaved).length > 0) tryLater();
    },
    saving: 'saved',
    problem: null,
    theirs: null,
    canUndo: false,
    unsaved: first,
    open: (design) => {
      if (timer) clearTimeout(timer);
      const before = get();
      // What is not saved is put aside, never dropped.
      const aside = before.draft && before.draft.id !== design.id ? own() : before.unsaved;
      if (before.draft?.id !== design.id) {
        past = [];
        lastChange = { of: '', at: 0 };
        set({ canUndo: false });
      }
      const held = aside[design.id];
      set(
        held
          ? {
              draft: held.draft,
              saving: held.theirs ? 'conflict' : 'failed',
              problem: held.problem,
              theirs: held.theirs,
            }
          : { draft: design, saving: 'saved', problem: null, theirs: null },
      );
      stash(aside);
      if (held && !held.theirs) later();
    },
    change: (part) => {
      const { draft, saving, locked } = get();
      if (!draft) return;
      // Refused before it is made: a change that the server will not take is none that stands on the screen.
      if (locked !== null) return sayProblem(locked);
      const of = changed(draft, part);
      const now = Date.now();
      if (of !== lastChange.of || now - lastChange.at > ONE_TURN)
        past = [...past.slice(1 - MOST_PAST), draft];
      lastChange = { of, at: now };
      set({
        draft: { ...draft, ...part },
        saving: saving === 'conflict' ? 'conflict' : 'waiting',
        canUndo: true,
      });
      if (saving !== 'conflict') later();
    },
    dial: (id, value) => {
      const { draft } = get();
      if (draft) get().change({ dials: { ...draft.dials, [id]: value } });
    },
    undo: () => {
      const { draft, saving } = get();
      const before = past.at(-1);
      if (!draft || !before || before.id !== draft.id) return;
      past = past.slice(0, -1);
      lastChange = { of: '', at: 0 };
      // What the desk counted meanwhile stays as it is.
      set({
        draft: { ...before, version: draft.version, made: draft.made },
        saving: saving === 'conflict' ? 'conflict' : 'waiting',
        canUndo: past.length > 0,
      });
      if (saving !== 'conflict') later();
    },
    flush: async () => {
      if (timer) clearTimeout(timer);
      timer = null;
      if (running) await running;
      if (get().saving !== 'waiting' && get().saving !== 'failed') return;
      running = send().finally(() => (running = null));
      await running;
    },
    keep: () => stash(own()),
    retry: async () => {
      if (retrying) clearTimeout(retrying);
      retrying = null;
      if (get().saving === 'failed') await get().flush();
      const open = get().draft?.id;
      for (const held of Object.values(get().unsaved)) {
        if (held.draft.id === open || held.theirs) continue;
        try {
          listed(await put(held.draft));
          if (get().unsaved[held.draft.id] === held) get().forget(held.draft.id);
        } catch (error) {
          if (get().unsaved[held.draft.id] !== held) continue;
          const failed = failure(error);
          stash({ ...get().unsaved, [held.draft.id]: { draft: held.draft, ...failed } });
          if (!failed.theirs) tryLater();
        }
      }
    },
    keepMine: () => {
      const { draft, theirs } = get();
      if (!draft || !theirs) return;
      set({ draft: { ...draft, version: theirs.version }, theirs: null, saving: 'waiting', problem: null });
      void get().flush();
    },
    takeTheirs: () => {
      const { theirs } = get();
      if (theirs) {
        set({ draft: theirs, theirs: null, saving: 'saved', problem: null });
        stash(own());
      }
      void client.invalidateQueries({ queryKey: ['designs'] });
    },
    forget: (id) => {
      const { [id]: _, ...others } = get().unsaved;
      if (get().draft?.id === id) set({ draft: null, saving: 'saved', problem: null, theirs: null });
      stash(others);
    },
  };
});
