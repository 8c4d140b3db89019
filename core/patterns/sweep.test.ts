import { asMaterial, catalogue } from '../catalogue/index.ts';
import type { Material } from '../materials/material.ts';
import { handsOn, orderSteps } from '../plan/order.ts';
import {
  APPROACHES,
  loadPatterns,
  PatternError,
  patternIds,
  refusal,
  type AnyAt,
  type AnyDials,
  type OpenPattern,
  type Start,
} from './index.ts';
import { settingsOf } from './testingSettings.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());
const shelf: readonly Material[] = catalogue.map((e, i) => ({
  ...asMaterial(e),
  id: 1000 + i,
  kept: 500,
  clean: true,
}));

/** Forty of what goes in a pattern's roles, each in its role with the usual ones beside it; spread over what there is. */
function fortyOf(p: OpenPattern): Start['chosen'][] {
  const usual = usualMaterials(p.roles);
  const all = p.roles.flatMap((r) =>
    shelf.filter((m) => refusal(r, m) === null).map((m) => ({ ...usual, [r.id]: [m] })),
  );
  const step = Math.max(1, all.length / 40);
  return [usual, ...Array.from({ length: Math.min(40, all.length) }, (_, i) => all[Math.floor(i * step)]!)];
}

/** The design as it begins; null where its materials do not go together, which the pattern has said. */
function beginning(p: OpenPattern, start: Start): AnyAt | null {
  try {
    const at = { ...start, dials: p.defaults(start) };
    return p.fit(at).verdict === 'stop' ? null : at;
  } catch (error) {
    if (error instanceof PatternError) return null;
    throw error;
  }
}

/** Most pieces that a child is given to begin with, and the minutes of hands-on work that a kit takes (common practice). */
const MOST_PIECES = 40;
const MINUTES = [1, 120] as const;

describe.each(patterns.map((p) => [p.id, p] as const))('%s, as it begins', (_, p) => {
  const begun = fortyOf(p).flatMap((chosen) =>
    APPROACHES.flatMap((approach) => beginning(p, { approach, ageFrom: 48, chosen }) ?? []),
  );
  const said = (at: AnyAt): string =>
    `${at.approach}: ${Object.values(at.chosen)
      .flat()
      .map((m) => m.name)
      .join(', ')}`;
  it('is something that somebody would make', () => {
    expect(begun.length).toBeGreaterThan(4);
  });
  it(`gives a child at most ${MOST_PIECES} pieces`, () => {
    const over = begun.filter((at) => p.counts(at).number > MOST_PIECES).map(said);
    expect(over).toEqual([]);
  });
  it(`takes ${MINUTES[0]} to ${MINUTES[1]} minutes of hands-on work a kit`, () => {
    const out = begun.flatMap((at) => {
      const { total } = handsOn(orderSteps(p.steps(at), 1));
      return total >= MINUTES[0] && total <= MINUTES[1] ? [] : [`${Math.round(total)} min, ${said(at)}`];
    });
    expect(out).toEqual([]);
  });
});

/** With a dial these facts rise, or fall, whatever else is set: pattern, dial, fact, and the others it is tried with. */
const RISES: readonly (readonly [string, string, string, 1 | -1, object?])[] = [
  ['count-out', 'to', 'tokensNeeded', 1],
  ['count-out', 'to', 'cards', 1],
  ['count-out', 'tokens', 'goesInDeep', 1],
  ['count-out', 'tokens', 'tokensShort', -1],
  ['dot-mat', 'gap', 'mostDots', -1],
  ['dot-mat', 'dot', 'over', 1],
  ['dot-mat', 'longest', 'mostDots', 1],
  ['drop-through', 'length', 'gap', 1],
  ['drop-through', 'width', 'gap', 1],
  ['feed-the-mouth', 'slit', 'spare', 1],
  ['feed-the-mouth', 'slit', 'loop', 1],
  ['feed-the-mouth', 'slit', 'opening', 1],
  ['feed-the-mouth', 'wall', 'fullAfter', -1],
  ['finger-tape', 'girth', 'leastStrip', 1],
  ['finger-tape', 'strip', 'tape', 1],
  ['finger-tape', 'halvings', 'pieces', 1],
  ['finger-tape', 'halvings', 'ball', -1],
  ['lace', 'holes', 'spacing', -1],
  ['lace', 'longest', 'mostHoles', 1],
  ['lace', 'longest', 'laceLength', 1],
  ['lace', 'tip', 'tipGap', -1],
  ['peg-rim', 'gap', 'pegsRound', -1],
  ['peg-rim', 'jaw', 'bite', 1],
  ['pull-out', 'length', 'grip', -1],
  ['shake', 'staples', 'gap', -1],
  ['sort-and-carry', 'cups', 'choices', 1],
  ['stack', 'number', 'stack', 1],
  ['stack', 'number', 'left', -1],
  ['stack', 'post', 'left', 1],
  ['stack', 'weight', 'tipsAt', 1],
  ['stack', 'weight', 'push', 1],
  ['stack', 'loss', 'perTube', -1],
  ['trace-and-pull', 'line', 'glue', 1],
  ['trace-and-pull', 'high', 'dryFor', 1],
  // Twice the peg's height, less what the other end is up by.
  ['trace-and-pull', 'lift', 'cord', -1],
  ['trace-and-pull', 'peg', 'cord', 1],
  ['trace-and-pull', 'longest', 'path', 1, { ribs: false }],
  ['track', 'length', 'outer', 1, { course: 'oval' }],
  ['track', 'lane', 'inner', -1, { course: 'oval' }],
  ['track', 'lane', 'steeringIndex', -1, { course: 'oval' }],
  ['track', 'speed', 'laps', 1, { course: 'oval' }],
  ['tray-and-surface', 'depth', 'volume', 1, { kind: 'food tray' }],
  ['tray-and-surface', 'across', 'tape', 1, { kind: 'floor' }],
  ['tray-and-surface', 'across', 'room', 1, { kind: 'floor' }],
  ['tray-and-surface', 'wide', 'strips', 1, { kind: 'foil' }],
  ['weave', 'rounds', 'thread', 1],
  ['weave', 'sticks', 'crossings', 1],
  // Everything else that a dial moves one way only, as found by turning each dial at every setting and looked through.
  ['drop-through', 'length', 'gapAcross', 1],
  ['drop-through', 'width', 'gapAlong', 1],
  ['lace', 'longest', 'spacing', 1],
  ['lace', 'holes', 'laceLength', 1],
  ['lace', 'edge', 'spacing', -1],
  ['lace', 'edge', 'laceLength', -1],
  ['lace', 'edge', 'mostHoles', -1],
  ['stack', 'height', 'stack', 1],
  ['stack', 'height', 'perTube', -1],
  ['stack', 'height', 'left', -1],
  ['stack', 'post', 'tipsAt', -1],
  ['pull-out', 'length', 'places', -1],
  ['pull-out', 'proud', 'inside', -1],
  ['peg-rim', 'number', 'pegsNeeded', 1],
  ['peg-rim', 'number', 'left', -1],
  ['peg-rim', 'gap', 'left', -1],
  ['peg-rim', 'layers', 'bite', -1],
  ['count-out', 'from', 'tokensNeeded', -1],
  ['count-out', 'from', 'reaches', 1],
  ['count-out', 'from', 'cards', -1],
  ['count-out', 'from', 'goesInDeep', -1],
  ['count-out', 'to', 'tokensShort', 1],
  ['count-out', 'to', 'goesInDeep', 1],
  ['count-out', 'tokens', 'reaches', 1],
  ['count-out', 'dice', 'tokensNeeded', 1],
  ['count-out', 'dice', 'tokensShort', 1],
  ['dot-mat', 'longest', 'dots', 1],
  ['dot-mat', 'dot', 'dots', -1],
  ['dot-mat', 'dot', 'mostDots', -1],
  ['dot-mat', 'gap', 'dots', -1],
  ['sort-and-carry', 'bowls', 'way', 1],
  ['sort-and-carry', 'bowls', 'room', -1],
  ['sort-and-carry', 'hand', 'room', -1],
  ['match-and-piece', 'number', 'closestWrongFit', -1],
  ['match-and-piece', 'number', 'shown', 1],
  ['match-and-piece', 'width', 'closestWrongFit', 1],
  ['match-and-piece', 'loose', 'closestWrongFit', -1],
  ['match-and-piece', 'height', 'closestWrongFit', 1],
  ['weave', 'sticks', 'thread', 1],
  ['weave', 'sticks', 'threadOfGroup', 1],
  ['weave', 'sticks', 'span', -1],
  ['weave', 'first', 'thread', 1],
  ['weave', 'first', 'threadOfGroup', 1],
  ['weave', 'first', 'span', 1],
  ['weave', 'spacing', 'thread', 1],
  ['weave', 'spacing', 'threadOfGroup', 1],
  ['weave', 'spacing', 'span', 1],
  ['weave', 'rounds', 'threadOfGroup', 1],
  ['weave', 'rounds', 'crossings', 1],
  ['weave', 'rounds', 'span', 1],
  ['weave', 'wraps', 'thread', 1],
  ['weave', 'wraps', 'threadOfGroup', 1],
  ['weave', 'angle', 'thread', 1],
  ['weave', 'angle', 'threadOfGroup', 1],
  ['weave', 'angle', 'span', 1],
  ['weave', 'angle', 'stem', -1],
  ['weave', 'spacing', 'stem', 1],
  ['weave', 'rounds', 'stem', 1],
  ['weave', 'slots', 'thread', 1],
  ['weave', 'slots', 'threadOfGroup', 1],
  ['weave', 'slots', 'crossings', 1],
  ['weave', 'slots', 'wide', 1],
  ['weave', 'pitch', 'thread', 1],
  ['weave', 'pitch', 'threadOfGroup', 1],
  ['weave', 'pitch', 'span', 1],
  ['weave', 'pitch', 'wide', 1],
  ['weave', 'height', 'thread', 1],
  ['weave', 'height', 'threadOfGroup', 1],
  ['shake', 'full', 'fillerVolume', 1],
  ['shake', 'full', 'fillerCount', 1],
  ['shake', 'full', 'fillerMass', 1],
  ['shake', 'stapleWidth', 'leastStaples', -1],
  ['shake', 'stapleWidth', 'gap', -1],
  ['shake', 'rim', 'leastStaples', -1],
  ['shake', 'rim', 'gap', -1],
  ['feed-the-mouth', 'slit', 'goesIn', 1],
  ['track', 'width', 'inner', 1],
  ['track', 'width', 'middle', 1],
  ['track', 'width', 'takes', 1],
  ['track', 'width', 'steeringIndex', 1],
  ['track', 'lane', 'barriers', -1],
  ['track', 'lane', 'straws', -1],
  ['track', 'lane', 'middle', -1],
  ['track', 'piece', 'barriers', -1],
  ['track', 'innerPiece', 'barriers', -1],
  ['track', 'speed', 'takes', -1],
  ['track', 'length', 'laps', -1],
  ['track', 'width', 'laps', -1],
  ['finger-tape', 'fingers', 'tape', 1],
  ['finger-tape', 'halvings', 'pieceSide', -1],
  ['finger-tape', 'halvings', 'stack', 1],
  ['trace-and-pull', 'longest', 'glue', 1],
  ['trace-and-pull', 'high', 'glue', 1],
  ['trace-and-pull', 'high', 'dryHigh', 1],
  ['trace-and-pull', 'dries', 'dryFor', 1],
  ['tray-and-surface', 'depth', 'mass', 1],
  ['tray-and-surface', 'dense', 'mass', 1],
  ['tray-and-surface', 'items', 'tape', 1],
];

/** A dial is turned in at most so many steps; each fact is asked over another tenth of the materials. */
const STEPS = 16;
const SHARE = 10;
describe('facts that must rise with a dial do, and those that must fall do', () => {
  it.each(RISES.map((row, n) => [row[0], row[1], row[2], row, n] as const))(
    '%s: turning %s moves %s',
    (...[, , , row, n]) => {
      const [id, dial, fact, way, others = {}] = row;
      const p = patterns.find((x) => x.id === id)!;
      let compared = 0;
      for (const chosen of fortyOf(p).filter((_, i) => i === 0 || i % SHARE === n % SHARE))
        for (const approach of APPROACHES) {
          const at = beginning(p, { approach, ageFrom: 48, chosen });
          if (!at) continue;
          const dials = { ...(at.dials as AnyDials), ...others };
          let range;
          try {
            range = p.specs({ ...at, dials }).find((s) => s.id === dial);
          } catch {
            continue;
          }
          if (range?.kind !== 'number') continue;
          const steps = Math.min(STEPS, Math.floor((range.max - range.min) / range.step));
          const values = Array.from({ length: steps + 1 }, (_, i) => {
            const value =
              range.min + Math.round(((range.max - range.min) * i) / steps / range.step) * range.step;
            try {
              const found = p
                .fit({ ...at, dials: { ...dials, [dial]: value } })
                .facts.find((f) => f.id === fact);
              return typeof found?.value === 'number' ? found.value : null;
            } catch (error) {
              if (error instanceof PatternError) return null;
              throw error;
            }
          }).filter((v) => v !== null);
          values.slice(1).forEach((v, i) => {
            compared++;
            const said = `${approach}, ${Object.values(chosen)
              .flat()
              .map((m) => m.name)
              .join(', ')}: ${values.join(' ')}`;
            expect([said, way * (v - values[i]!) >= -0.11]).toEqual([said, true]);
          });
        }
      expect(compared).toBeGreaterThan(4);
    },
  );
});

it('no dial is there for nothing: each, turned from end to end, changes what is made, asked or said', () => {
  const idle = patterns.flatMap((p) => {
    const moved = new Map<string, boolean>();
    for (const at of settingsOf(p))
      for (const spec of p.specs(at)) {
        if (spec.kind !== 'number' || moved.get(spec.id)) continue;
        const seen = [spec.min, spec.max].map((value) => {
          const there = { ...at, dials: { ...(at.dials as AnyDials), [spec.id]: value } };
          try {
            const { facts, headline } = p.fit(there);
            const { picture } = p.draw(there);
            return JSON.stringify([
              facts,
              headline,
              p.needs(there),
              p.counts(there),
              p.steps(there),
              picture,
            ]);
          } catch (error) {
            if (error instanceof PatternError) return error.message;
            throw error;
          }
        });
        moved.set(spec.id, seen[0] !== seen[1]);
      }
    return [...moved].flatMap(([id, is]) => (is ? [] : [`${p.id} ${id}`]));
  });
  expect(idle).toEqual([]);
});
