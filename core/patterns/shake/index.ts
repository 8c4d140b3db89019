import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Cut, Feature, Need, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { countStep, need, plainName, sayFor, step, STOP_WORDS } from '../making.ts';
import { dials, fillerSize, mostMouth, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { BANDS_AN_END, capSide, fillings, fit, moves, tapeRound, type Detail } from './fit.ts';

/** One shaker for each filler: a softer and a louder one lie side by side. */
const shakers = (at: At<Dials>): number => fillings(at).length;

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { kind, body, across, cap, band, tape, decor } = parts(at);
  const n = shakers(at);
  // Staples are taped over, tape closes a seam, caps and their bands are under tape.
  const taped = tape && kind !== 'bottle' ? tape : null;
  const tapeLong = kind === 'tube' ? 2 * tapeRound(across) : tapeRound(across);
  const needs: Need[] = [
    need(ROLES.body, body, n * (kind === 'plates' ? 2 : 1), true),
    ...fillings(at).map((f) => need(ROLES.filler, f.material, f.count, false)),
    ...(kind === 'tube' && band ? [need(ROLES.band, band, 2 * BANDS_AN_END * n, false)] : []),
    ...(taped ? [need(ROLES.tape, taped, taped.unit === 'mm' ? n * tapeLong : 1, false)] : []),
    ...(decor && decor.unit === 'each' ? [need(ROLES.decor, decor, 1, false)] : []),
  ];
  const cuts: Cut[] =
    kind === 'tube' && cap
      ? [
          {
            kind: 'outline',
            id: 'cap',
            label: 'Cap',
            role: ROLES.cap.id,
            materialId: cap.id,
            count: 2 * n,
            use: 'part',
            counted: false,
            outline: rectangleOutline(capSide(d, across), capSide(d, across)),
            turn: 'right',
            gap: 1,
          },
        ]
      : [];
  return { needs, cuts, steps: steps(at) };
}

/** What keeps the fillers in. */
function sealOf(at: At<Dials>): string {
  const { kind, band, tape } = parts(at);
  if (kind === 'plates') return at.dials.seal === 'staples' ? 'staples' : 'a band of tape';
  if (kind === 'tube') return tape ? 'taped caps' : band ? 'caps held by bands' : 'caps that nothing holds';
  return 'a glued screw cap';
}

/** Minutes by hand (common practice): three seconds a staple, two a piece put in by a child. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { kind, tape, decor } = parts(at);
  const fills = fillings(at);
  const n = fills.length;
  const count = fills.reduce((sum, f) => sum + f.count, 0);
  const first = {
    plates: (): Step[] => [
      step({
        id: 'half',
        title: 'Close the rim but for its mouth',
        words: `Rim to rim, ${d.seal === 'staples' ? `staples ${d.rim} mm in` : 'the tape half on each'}, ${d.mouth} mm left open.`,
        setUp: 1,
        perCopy: n * (d.seal === 'staples' ? 0.05 * d.staples + 0.5 : 1.5),
        who: 'adult',
        tools: d.seal === 'staples' ? ['stapler'] : [],
      }),
    ],
    tube: (): Step[] => [
      step({
        id: 'half',
        title: 'Cap one end',
        words: 'Fold the square over the end, press it smooth all round, two bands over it.',
        setUp: 1,
        perCopy: 2 * n,
        tools: ['printer', 'scissors'],
      }),
    ],
    bottle: (): Step[] => [
      step({
        id: 'half',
        title: 'Take the label off and dry the inside',
        words: 'Warm water, then upside down over night: what is damp inside goes mouldy.',
        perCopy: 2 * n,
        drying: 600,
      }),
    ],
  }[kind]();
  return [
    ...(decor || approach === 'made together'
      ? [
          step({
            id: 'decorate',
            title: 'Stickers and tissue on the outside',
            words: 'Before it is filled, while it lies flat.',
            perCopy: 4 * n,
            who: 'child' as const,
          }),
        ]
      : []),
    ...first,
    step({
      id: 'fill',
      title: `Put about ${count} in`,
      words: {
        poured: 'From a small cup, over a tray.',
        'one by one': 'One at a time, finger and thumb.',
        'from the hand': 'Three in the hand; one at a time comes to the fingertips, the others stay.',
      }[d.filled],
      // A child puts in some; an adult tips in the rest.
      perCopy: d.filled === 'poured' ? 1 : Math.min(6, 0.04 * count + 0.5),
      who: 'child',
      after: ['half'],
    }),
    step({
      id: 'close',
      title: kind === 'bottle' ? 'Glue the lid on' : 'Close it',
      words: {
        plates:
          d.seal === 'staples'
            ? `The last staples, points folded in${tape ? ', then tape over all of them' : '; tape over all of them'}.`
            : 'The tape over the mouth too, one end over the other.',
        tube: tape
          ? 'The other cap, two bands, then tape over both bands all round.'
          : 'The other cap, two bands.',
        bottle: 'Glue in the thread of the lid, screw it tight; it is opened no more.',
      }[kind],
      perCopy: n,
      who: 'adult',
      drying: kind === 'bottle' ? 240 : 0,
      after: ['fill'],
    }),
    step({
      id: 'pull',
      title: 'Pull at the seal and shake it hard',
      words: 'Over a tray, with a strong pull for 10 s all round; write the day on it.',
      perCopy: n,
      who: 'adult',
      after: ['close'],
    }),
    countStep(`${n} ${n === 1 ? 'shaker' : 'shakers'}`, ['pull']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { kind, tape, band } = parts(at);
  return [
    ...(kind === 'plates' && d.seal === 'staples'
      ? [{ kind: 'staple', where: 'round the rim', count: d.staples, covered: tape !== null } as const]
      : []),
    ...(kind === 'tube' && band && !tape
      ? [{ kind: 'cord', name: band.name, free: 0, loop: band.sizes.length ?? 0 } as const]
      : []),
  ];
}

function reaches(at: At<Dials>): Reaches {
  const { band, tape } = parts(at);
  return {
    [ROLES.body.id]: { as: 'body', closed: true },
    [ROLES.filler.id]: { as: 'closed in', seal: sealOf(at) },
    [ROLES.band.id]: tape
      ? { as: 'nobody', why: 'it is under the tape' }
      : {
          as: 'fixed',
          held: 'pressed on',
          // Laid flat it is half as long as once round.
          shape: {
            kind: 'box',
            length: (band?.sizes.length ?? 60) / 2,
            width: 2 * (band?.sizes.diameter ?? 3),
            height: band?.sizes.diameter ?? 3,
          },
        },
    [ROLES.tape.id]: { as: 'nobody', why: 'it is the seal, pulled at before it is lent' },
    [ROLES.decor.id]: { as: 'fixed', held: 'stuck on' },
  };
}

function show(at: At<Dials>): Show {
  return {
    say: sayFor(
      at.approach,
      'Listen: rain on the boat, then waves. Can you make small rain?',
      'You made it. What does it sound like?',
    ),
    lookFor: 'Does the wrist turn, or the whole arm? Can it stop when you stop?',
    easier: 'Both hands on it; fast and loud.',
    harder: 'One hand, then the other; four slow, four fast; so softly that nothing is heard.',
    more: 'Count the shakes; copy a pattern of two loud, one soft.',
    oneHand: 'A loop of tape to slip the hand into; it stands in a cup while it is filled.',
    stop: STOP_WORDS,
    script: [
      { minutes: 1, words: 'Shake it out of sight, then show it. Whose turn?' },
      { minutes: 1, words: 'As you like: loud and fast, both hands.' },
      { minutes: 1, words: 'Stop when I stop. Three times.' },
      { minutes: 1, words: 'One hand, then the other, across to the other side.' },
      { minutes: 1, words: 'So softly that nothing is heard; set it down.' },
    ],
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { kind, across, body, fillers } = parts(at);
  const { long } = fillerSize(fillers[0]!);
  const most = Math.max(20, mostMouth(kind, across, body.sizes.wall ?? 0));
  const mouth = (over: number): number => Math.max(15, Math.min(most, Math.ceil(long + over)));
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  return [
    of('pour', 'Poured', 'whole hand round a cup', { filled: 'poured', mouth: most }),
    of('wide', 'One by one', 'thumb and fingers', { filled: 'one by one', mouth: mouth(40) }),
    of('narrow', 'Narrow', 'thumb and finger', { filled: 'one by one', mouth: mouth(8) }),
    of('hand', 'From the hand', 'from palm to fingertips', { filled: 'from the hand', mouth: mouth(40) }),
    of('hand-narrow', 'Hand, narrow', 'from palm to fingertips', {
      filled: 'from the hand',
      mouth: mouth(8),
    }),
  ];
}

const MADE = { plates: 'two plates', tube: 'a tube', bottle: 'a bottle' };

/** Plates, a tube or a bottle with something inside that rattles. */
export const shake: Pattern<Dials, Detail> = {
  id: 'shake',
  name: 'Shake',
  does: 'Fills it piece by piece, then shakes it fast, slowly and softly',
  skills: ['Pincer and release', 'In-hand manipulation', 'Two hands together'],
  quiet: false,
  roles: Object.values(ROLES),
  dials,
  title: (at) => `Shake ${plainName(parts(at).fillers[0]!)} in ${MADE[parts(at).kind]}`,
  fit,
  plan,
  draw,
  moves,
  counts: (at) => ({ of: 'pieces', one: 'piece', number: fillings(at)[0]!.count }),
  features,
  reaches,
  rungs,
  show,
};
