import { cleaningOf, type Material } from '../materials/material.ts';
import type { Told } from '../languages/messages.ts';
import type { Approach, Chosen, Fact, Feature, Fit, Need, Role, Show, Step, Verdict } from './kernel.ts';
import { text } from './words.ts';

/** A material's name in the middle of a sentence, without what the shelf adds after a comma. */
export const plainName = (m: Pick<Material, 'name'>): string => m.name.split(',')[0]!.toLowerCase();

/** Whether a finger that goes through a hole in it could be held: card under a millimetre, paper, cloth and foam give way (common practice). */
export const sheetOf = (m: Material): 'rigid' | 'soft' =>
  m.materialClass === 'paper' ||
  m.materialClass === 'fabric' ||
  m.materialClass === 'foam' ||
  (m.materialClass === 'card' && (m.sizes.wall ?? 0) < 1)
    ? 'soft'
    : 'rigid';

/** A die that a design asks for and that no line of its bill holds: about so large, mm (common practice). */
const DIE = 16;
export const diceFeatures = (at: Told, count: number): Feature[] =>
  count > 0
    ? [
        { kind: 'line', name: text(at, 'die'), how: 'loose' },
        {
          kind: 'piece',
          name: text(at, 'die'),
          shape: { kind: 'box', length: DIE, width: DIE, height: DIE },
          count,
          ball: false,
        },
      ]
    : [];

export const isWashed = (m: Material): boolean => cleaningOf(m) === 'wash';

/** What a kit is handed over in, where the design itself is no container. */
export const BAG = {
  id: 'bag',
  label: 'Bag',
  forms: ['consumable', 'container'],
  least: 0,
  most: 1,
  use: 'package',
  usual: [],
} as const satisfies Role;

/** Asked of what cards are cut from: a sheet, or a box of card with flat sides. */
export const sheetOrCardBox: NonNullable<Role['accepts']> = (m) =>
  m.form === 'container' && (m.materialClass !== 'card' || m.sizes.diameter !== undefined)
    ? 'expected a sheet, or a card box to cut one from'
    : null;

/** Asked of what holds, seals or glues: a material of that class. */
export const ofClass =
  (...classes: readonly Material['materialClass'][]): NonNullable<Role['accepts']> =>
  (m) =>
    classes.includes(m.materialClass) ? null : `expected ${classes.join(' or ')}`;

/** The bag as a need, where there is one. */
export const bagNeed = (chosen: Chosen): Need[] => (chosen[BAG.id] ?? []).map((m) => need(BAG, m, 1, true));

/** A step with what most steps have: an adult or a child, no blade, nothing to wait for. */
export const step = (s: Partial<Step> & Pick<Step, 'id' | 'title' | 'words' | 'perCopy'>): Step => ({
  setUp: 0,
  who: 'either',
  blade: false,
  heat: false,
  drying: 0,
  after: [],
  tools: [],
  ...s,
});

/** What a kit takes whole of a material: so many pieces, or so many mm of a roll. */
export const need = (role: Role, m: Material, quantity: number, counted: boolean): Need => ({
  role: role.id,
  use: role.use,
  materialId: m.id,
  name: m.name,
  quantity,
  unit: m.unit,
  counted,
});

/** A number shared out as evenly as possible: 7 over 3 kinds are 3, 2 and 2. */
const shared = (n: number, kinds: number): number[] =>
  Array.from({ length: kinds }, (_, i) => Math.floor(n / kinds) + (i < n % kinds ? 1 : 0));

/** How many pieces of each kind a kit has; kinds of which it has none are left out. */
export const sharedKinds = (
  kinds: readonly Material[],
  n: number,
): { readonly material: Material; readonly count: number }[] =>
  shared(n, kinds.length)
    .map((count, i) => ({ material: kinds[i]!, count }))
    .filter((p) => p.count > 0);

/** Of `n` pieces over several kinds, the kind of the i-th. */
export function kindOf(kinds: readonly Material[], n: number, i: number): Material {
  let last = 0;
  for (const { material, count } of sharedKinds(kinds, n)) {
    last += count;
    if (i < last) return material;
  }
  return kinds.at(-1)!;
}

/** Washing or looking over what children handle; nothing where all of it was clean when it came to the shelf. */
export function cleaningStep(
  pieces: readonly { readonly material: Material; readonly count: number }[],
  at: Told & { readonly approach: Approach; readonly kits?: number | undefined },
): Step[] {
  const dirty = pieces.filter((p) => !p.material.clean);
  if (dirty.length === 0) return [];
  const count = dirty.reduce((n, p) => n + p.count, 0);
  const wet = dirty.some((p) => isWashed(p.material));
  const dry = dirty.some((p) => !isWashed(p.material));
  const what = dirty.map((p) => `${p.count * (at.kits ?? 1)} × ${p.material.name}`).join(', ');
  return [
    step({
      id: 'wash',
      title: wet ? text(at, 'wash', { what }) : text(at, 'lookOver', { what }),
      words: [wet ? text(at, 'warmWaterWashingUp') : '', dry ? text(at, 'brushOffWhatCannot') : '']
        .filter(Boolean)
        .join(' '),
      setUp: 3,
      perCopy: Math.max(1, 0.25 * count),
      who: at.approach === 'made together' ? 'child' : 'either',
      drying: wet ? 120 : 0,
    }),
  ];
}

/** The last step of every kit: counted, labelled, put into its bag or box. A number alone is of pieces. */
export const countStep = (at: Told, what: number | string, after: readonly string[]): Step =>
  step({
    id: 'count',
    title:
      typeof what === 'number' ? text(at, 'countPieces', { count: what }) : text(at, 'countThings', { what }),
    words: text(at, 'labelOutsideCountWritten'),
    perCopy: 2,
    after,
  });

/** An open cup or tin as somebody may lift it to the face. */
export const hollowFeature = (m: Material): Feature[] => {
  const { diameter, height } = m.sizes;
  return m.form === 'container' && diameter !== undefined && height !== undefined
    ? [{ kind: 'hollow', name: m.name, mouth: diameter, depth: height }]
    : [];
};

/** Bags, whatever pattern they come with: the way round the mouth, and the film of what is plastic. */
export const bagFeatures = (materials: readonly Material[]): Feature[] =>
  materials.flatMap((m): Feature[] => {
    const { length, width, wall } = m.sizes;
    const isSoft = m.form === 'consumable' || m.form === 'sheet' || m.materialClass === 'fabric';
    if (!isSoft || length === undefined || width === undefined) return [];
    // Laid flat, the mouth is one of its sides, twice; which one nobody has said, so it counts as the longer.
    const mouth = 2 * Math.max(length, width);
    return [
      {
        kind: 'bag',
        name: m.name,
        mouth,
        film: m.materialClass === 'plastic' ? (wall ?? null) : null,
        airy: m.materialClass === 'fabric',
        drawstring: m.risks?.drawstring ?? 0,
      },
    ];
  });

/** First words as each approach has them: shown without any, or said in the play, or by who made it. */
export const sayFor = (at: Told & { readonly approach: Approach }, play: string, own: string): string =>
  ({
    'prepared shelf': text(at, 'showOnceSlowlyWithout'),
    'graded play': text(at, 'spoken', { words: play }),
    'made together': text(at, 'spoken', { words: own }),
    'grab bag': text(at, 'letUsDoWhile'),
  })[at.approach];

/** A colour by its name; one that is not among the usual ones as somebody wrote it. */
export const colourName = (at: Told, colour: string): string =>
  text(at, 'colour', { colour, name: colour.toLowerCase() });

/** A tool that pieces are taken with, as it is called. */
export const toolName = (at: Told, tool: string): string => text(at, 'tool', { tool });

/** When to end: the same for every pattern (common practice). */
export const stopWords = (at: Told): Show['stop'] => text(at, 'stopWhileStillGoes');

/** Millimetres as a remedy says them, rounded up to a tenth. */
export const mm = (x: number): string =>
  `${(Math.ceil(x * 10 - 1e-6) / 10).toFixed(1).replace(/\.0$/, '')} mm`;

export const half = (x: number): number => Math.round(2 * x) / 2;

/** Words a fit ends with, beside the facts it found. */
export const answers =
  <F>(facts: readonly Fact[], detail: F) =>
  (verdict: Verdict, headline: string, remedy: string | null): Fit<F> => ({
    verdict,
    headline,
    remedy,
    facts,
    detail,
  });
