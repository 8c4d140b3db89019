import { when } from '../acts.ts';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Cut, Feature, Need, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import { countStep, need, plainName, sayFor, step, stopWords } from '../making.ts';
import { SPOT, supplied } from '../supplies.ts';
import { dials, filledOf, fillerSize, mostMouth, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { BY_HAND } from './filling.ts';
import { BANDS_AN_END, capSide, fillings, fit, moves, tapeRound, type Detail } from './fit.ts';
import { text } from './words.ts';

/** One shaker for each filler: a softer and a louder one lie side by side. */
const shakers = (at: At<Dials>): number => fillings(at).length;

/** Glue in the thread of a lid, and a staple of an office stapler; g (common practice). */
const THREAD_GLUE = 3 * SPOT;
const STAPLE = 0.033;
const isDecorated = (at: At<Dials>): boolean => parts(at).decor !== null || at.approach === 'made together';

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { kind, body, across, cap, band, tape } = parts(at);
  const n = shakers(at);
  // Staples are taped over, tape closes a seam, caps and their bands are under tape.
  const taped = tape && kind !== 'bottle' ? tape : null;
  const tapeLong = kind === 'tube' ? 2 * tapeRound(across) : tapeRound(across);
  const used = supplied(at, [
    [ROLES.glue, kind === 'bottle' ? THREAD_GLUE * n : 0],
    [ROLES.staples, kind === 'plates' && d.seal === 'staples' ? STAPLE * d.staples * n : 0],
    [ROLES.decor, isDecorated(at) ? 1 : 0],
  ]);
  const needs: Need[] = [
    ...used.needs,
    need(ROLES.body, body, n * (kind === 'plates' ? 2 : 1), true),
    ...fillings(at).map((f) => need(ROLES.filler, f.material, f.count, false)),
    ...(kind === 'tube' && band ? [need(ROLES.band, band, 2 * BANDS_AN_END * n, false)] : []),
    ...(taped ? [need(ROLES.tape, taped, taped.unit === 'mm' ? n * tapeLong : 1, false)] : []),
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
  return { needs, unlisted: used.unlisted, cuts, steps: steps(at) };
}

/** What keeps the fillers in. */
function sealOf(at: At<Dials>): string {
  const { kind, band, tape } = parts(at);
  if (kind === 'plates') return text(at, at.dials.seal === 'staples' ? 'behindStaples' : 'behindBand');
  if (kind === 'tube')
    return text(at, tape ? 'behindTapedCaps' : band ? 'behindCapsInBands' : 'behindLooseCaps');
  return text(at, 'behindScrewCap');
}

/** Minutes by hand (common practice): three seconds a staple, two a piece put in by a child. */
function steps(at: At<Dials>): Step[] {
  const { dials: d } = at;
  const { kind, tape } = parts(at);
  const fills = fillings(at);
  const n = fills.length;
  const count = fills.reduce((sum, f) => sum + f.count, 0);
  const filled = filledOf(at);
  const byHand = Math.min(BY_HAND, count);
  const first = {
    plates: (): Step[] => [
      step({
        id: 'half',
        title: text(at, 'closeRimButMouth'),
        words:
          d.seal === 'staples'
            ? text(at, 'rimRimStaplesMm', { rim: d.rim, mouth: d.mouth })
            : text(at, 'rimRimTapeHalf', { mouth: d.mouth }),
        setUp: 1,
        perCopy: n * (d.seal === 'staples' ? 0.05 * d.staples + 0.5 : 1.5),
        who: 'adult',
        tools: d.seal === 'staples' ? ['stapler'] : [],
      }),
    ],
    tube: (): Step[] => [
      step({
        id: 'half',
        title: text(at, 'capEnd'),
        words: text(at, 'foldSquareOverEnd'),
        setUp: 1,
        perCopy: 2 * n,
        tools: ['printer', 'scissors'],
      }),
    ],
    bottle: (): Step[] => [
      step({
        id: 'half',
        title: text(at, 'takeLabelOffDry'),
        words: text(at, 'warmWaterThenUpside'),
        perCopy: 2 * n,
        drying: 600,
      }),
    ],
  }[kind]();
  return [
    ...(isDecorated(at)
      ? [
          step({
            id: 'decorate',
            title: text(at, 'stickersTissueOutside'),
            words: text(at, 'beforeFilledWhileLies'),
            perCopy: 4 * n,
            who: 'child' as const,
          }),
        ]
      : []),
    ...first,
    step({
      id: 'fill',
      title: text(at, 'putAbout', { count }),
      words: {
        poured: text(at, 'fromSmallCupOver'),
        'one by one': text(at, 'timeFingerThumb'),
        'from the hand': text(at, 'threeHandTimeComes'),
      }[filled].concat(byHand < count && filled !== 'poured' ? ` ${text(at, 'restPoured', { byHand })}` : ''),
      perCopy: filled === 'poured' ? 1 : 0.05 * byHand + 1,
      who: 'child',
      after: ['half'],
    }),
    step({
      id: 'close',
      title: kind === 'bottle' ? text(at, 'glueLid') : text(at, 'close'),
      words: {
        plates:
          d.seal === 'staples'
            ? text(at, tape ? 'lastStaplesTaped' : 'lastStaples')
            : text(at, 'tapeOverMouthToo'),
        tube: tape ? text(at, 'otherCapTwoBands') : text(at, 'otherCapTwoBands2'),
        bottle: text(at, 'glueThreadLidScrew'),
      }[kind],
      perCopy: n,
      who: 'adult',
      drying: kind === 'bottle' ? 240 : 0,
      after: ['fill'],
    }),
    step({
      id: 'pull',
      title: text(at, 'pullSealShakeHard'),
      words: text(at, 'overTrayStrongPull'),
      perCopy: n,
      who: 'adult',
      after: ['close'],
    }),
    countStep(at, text(at, 'counted', { n }), ['pull']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { kind, tape, band } = parts(at);
  return [
    ...(kind === 'plates' && d.seal === 'staples'
      ? [{ kind: 'staple', where: text(at, 'roundRim'), count: d.staples, covered: tape !== null } as const]
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
    [ROLES.staples.id]: { as: 'told', how: 'in the rim' },
  };
}

function show(at: At<Dials>): Show {
  return {
    say: sayFor(at, text(at, 'listenRainBoatThen'), text(at, 'youMadeWhatDoes')),
    lookFor: text(at, 'doesWristTurnOr'),
    easier: text(at, 'bothHandsFastLoud'),
    harder: text(at, 'handThenOtherFour'),
    more: text(at, 'countTheShakes'),
    oneHand: text(at, 'loopTapeSlipHand'),
    stop: stopWords(at),
    script: [
      { minutes: 1, words: text(at, 'shakeOutSightThen') },
      { minutes: 1, words: text(at, 'asYouLikeLoud') },
      { minutes: 1, words: text(at, 'stopWhenIStop') },
      { minutes: 1, words: text(at, 'handThenOtherAcross') },
      { minutes: 1, words: text(at, 'softlyNothingHeardSet') },
    ],
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { kind, across, body, fillers } = parts(at);
  const { long } = fillerSize(fillers[0]!);
  const most = Math.max(20, mostMouth(kind, across, body.sizes.wall ?? 0));
  const mouth = (over: number): number => Math.max(15, Math.min(most, Math.ceil(long + over)));
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  return [
    of('pour', text(at, 'poured'), text(at, 'wholeHandRoundCup'), { filled: 'poured', mouth: most }),
    of('wide', text(at, 'oneByOne'), text(at, 'thumbFingers'), { filled: 'one by one', mouth: mouth(40) }),
    of('narrow', text(at, 'narrow'), text(at, 'thumbFinger'), { filled: 'one by one', mouth: mouth(8) }),
    of('hand', text(at, 'fromHand'), text(at, 'fromPalmFingertips'), {
      filled: 'from the hand',
      mouth: mouth(40),
    }),
    of('hand-narrow', text(at, 'handNarrow'), text(at, 'fromPalmFingertips'), {
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
  does: (to) => text(to, 'fillsPiecePieceThen'),
  skills: ['Pincer and release', 'In-hand manipulation', 'Two hands together'],
  acts: (at) =>
    when({
      'other hand holds': true,
      'picks up': filledOf(at) === 'one by one',
      'lets go': filledOf(at) !== 'poured',
      'palm to fingertips': filledOf(at) === 'from the hand',
    }),
  quiet: false,
  usualFrom: (at) => (filledOf(at) === 'poured' ? [9, 18] : [12, 30]),
  roles: Object.values(ROLES),
  dials,
  title: (at) => `Shake ${plainName(parts(at).fillers[0]!)} in ${MADE[parts(at).kind]}`,
  fit,
  plan,
  draw,
  moves,
  counts: (at) =>
    filledOf(at) === 'poured'
      ? { of: 'cups', one: 'cup', number: fillings(at).length }
      : { of: 'pieces', one: 'piece', number: Math.min(BY_HAND, fillings(at)[0]!.count) },
  features,
  reaches,
  levels,
  show,
};
