import { create } from 'zustand';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { restOf, type BenchDesign } from '../../core/needs/supply.ts';
import { areLoaded, loadPattern, type Drawing } from '../../core/patterns/index.ts';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import { words } from '../data/api.ts';
import { handsOnOf, lightOf, type Light } from './derived.ts';
import { afterPaint, asker, NOTHING, type CheckedBy, type Heavy } from './heavy.ts';
import { NOT_YET, supplier, type Supplied } from './supplying.ts';
import { useOpenDesign } from './store.ts';

/** What the open design is worked out from. */
interface Given {
  readonly materials?: readonly MaterialRow[] | undefined;
  readonly bench: readonly BenchDesign[];
  readonly by?: CheckedBy | undefined;
  /** Minutes of steps as this place takes them. */
  readonly own?: OwnTimes | undefined;
}

/** What follows from the open design, worked out outside the screen: a part of it is drawn again only when its own piece moves. */
interface Workings {
  /** The design that all this is of; null until one is worked out. */
  readonly design: Design | null;
  /** The last that could be read of this design. */
  readonly light: Light | null;
  /** Why the design as it stands cannot be read. */
  readonly problem: string | null;
  readonly heavy: Heavy;
  /** What it takes of the shelf: the answer of before while the next is worked out. */
  readonly supplied: Supplied;
  /** With the last fit, the one of before while the next is worked out. */
  readonly drawing: Drawing | null;
  /** As it was when the dials last rested. */
  readonly rested: Drawing | null;
  /** Minutes of hands-on work for the rest of the batch, as the dials last rested. */
  readonly handsOn: number;
}

export const useWorkings = create<Workings>()(() => ({
  design: null,
  light: null,
  problem: null,
  heavy: NOTHING,
  supplied: NOT_YET,
  drawing: null,
  rested: null,
  handsOn: 0,
}));

/** What was there before, where what comes says the same. */
const steady = <T>(before: T, now: T): T => (JSON.stringify(before) === JSON.stringify(now) ? before : now);

/** Dials that a turned one leaves as they were stay the objects they were, and so do the words that show it. */
const steadied = (before: Light, now: Light): Light => ({
  ...now,
  specs: now.specs.map((spec) => {
    const same = before.specs.find((s) => s.id === spec.id);
    return same ? steady(same, spec) : spec;
  }),
  counts: steady(before.counts, now.counts),
  show: steady(before.show, now.show),
});

let given: Given = { bench: [] };

/** What the drawing on the mat is of; a dial has moved on since where it is another. */
let drawn: Light | null = null;
let isDrawNext = false;

/** The dial under the finger moves in one frame, and what it draws follows in the next, so that neither waits for both. */
function drawNext(): void {
  if (isDrawNext) return;
  isDrawNext = true;
  afterPaint(() => {
    isDrawNext = false;
    const { light, heavy } = useWorkings.getState();
    if (!light || drawn === light) return;
    try {
      drawn = light;
      useWorkings.setState({ drawing: light.draw(heavy.fit ?? undefined) });
    } catch (error) {
      useWorkings.setState({ problem: words(error) });
    }
  });
}

const worker = asker((heavy) => {
  const { design, light, drawing, rested, handsOn, heavy: before } = useWorkings.getState();
  if (!light || !design) return;
  try {
    // Many a fit leaves the drawing as it was.
    const isSame = drawn === light && (heavy.fit === before.fit || !light.pattern.drawsFit);
    drawn = light;
    const now = isSame ? drawing : steady(drawing, light.draw(heavy.fit ?? undefined));
    const rests = heavy.safety !== before.safety;
    useWorkings.setState({
      heavy,
      drawing: now,
      rested: rests ? now : rested,
      handsOn: rests ? handsOnOf(light, design, given.own ?? {}) : handsOn,
    });
  } catch (error) {
    useWorkings.setState({ heavy: { ...heavy, problem: words(error) } });
  }
});

const shelf = supplier((supplied) => useWorkings.setState({ supplied }));

/** Asks the worker about the open design as it stands now. */
function ask(): void {
  const { design, problem } = useWorkings.getState();
  const { materials, bench, by } = given;
  if (!design || !materials || problem) return;
  worker.about(design, materials, by);
  shelf.about(by ? { design, materials, by, bench } : null);
}

let isAskedNext = false;
/** Once the turned dial is painted: putting the question together is no work for the frame under the finger. */
function askNext(): void {
  if (isAskedNext) return;
  isAskedNext = true;
  afterPaint(() => {
    isAskedNext = false;
    ask();
  });
}

/** A design that nobody named is called what it is now. */
const called = (design: Design, light: Light): Design =>
  design.ownName !== false || design.name === light.called ? design : { ...design, name: light.called };

/** The own minutes that the hands-on work was counted with. */
let timed: OwnTimes | undefined;
function work(): void {
  const { draft } = useOpenDesign.getState();
  const { materials, by } = given;
  if (!draft || !materials) return;
  let design = draft;
  if (!areLoaded([design.pattern])) {
    void loadPattern(design.pattern).then(work, (error: unknown) =>
      useWorkings.setState({ problem: words(error) }),
    );
    return;
  }
  const before = useWorkings.getState();
  const isSame = before.design?.id === design.id;
  const found = lightOf(design, materials);
  if ('problem' in found) {
    // Nothing is asked about it; what was asked about another design is asked again when that comes back.
    if (!isSame) worker.about(null, materials, by);
    shelf.about(null);
    useWorkings.setState({
      design,
      problem: found.problem,
      ...(isSame ? {} : { light: null, heavy: NOTHING, drawing: null, rested: null }),
    });
    return;
  }
  const light = isSame && before.light ? steadied(before.light, found) : found;
  design = called(draft, light);
  try {
    let first: Partial<Workings> = {};
    if (isSame && before.rested) drawNext();
    else {
      const drawing = light.draw();
      drawn = light;
      first = { heavy: NOTHING, drawing, rested: drawing };
    }
    useWorkings.setState({
      design,
      light,
      problem: null,
      ...first,
      ...(isSame && before.rested && restOf(design) === restOf(before.design) && timed === given.own
        ? {}
        : { handsOn: handsOnOf(light, design, given.own ?? {}) }),
    });
  } catch (error) {
    if (!isSame) worker.about(null, materials, by);
    useWorkings.setState({ design, light: isSame ? before.light : null, problem: words(error) });
    return;
  }
  timed = given.own;
  if (isSame) askNext();
  else ask();
}

useOpenDesign.subscribe((now, before) => {
  if (now.draft !== before.draft) work();
});

/** Whether other designs speak for the same as before: what is saved of the open one changes nothing for itself. */
const sameBench = (a: readonly BenchDesign[], b: readonly BenchDesign[], own: number | undefined): boolean =>
  a.length === b.length &&
  a.every((x, i) => {
    const y = b[i]!;
    return (
      x.id === y.id &&
      (x.id === own ||
        (x.name === y.name &&
          x.copies === y.copies &&
          x.made === y.made &&
          x.onBench === y.onBench &&
          x.needs === y.needs))
    );
  });

/** Tells what the open design is to be worked out from; what is the same as before is not worked out again. */
export function workFrom(next: Given): void {
  const { design } = useWorkings.getState();
  const isNew =
    next.materials !== given.materials ||
    next.by !== given.by ||
    next.own !== given.own ||
    !sameBench(given.bench, next.bench, design?.id);
  given = next;
  if (isNew || design?.id !== useOpenDesign.getState().draft?.id) work();
}

/** One piece of what follows from the open design, for the parts of a station that is shown only when it could be read. */
export const useLight = <T>(pick: (light: Light) => T): T => useWorkings((s) => pick(s.light!));
