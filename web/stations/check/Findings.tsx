import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { formatLength, inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import { factValue } from '../../../core/patterns/factWords.ts';
import { threeCosts } from '../../../core/price/costs.ts';
import type { Finding } from '../../../core/safety/check.ts';
import type { Change } from '../../../core/safety/smallestChange.ts';
import { words } from '../../data/api.ts';
import { useRules } from '../../data/queries.ts';
import { useRates } from '../../data/rates.ts';
import { money } from '../../data/style.ts';
import { shelfOf } from '../../design/derived.ts';
import { askOf } from '../../design/heavy.ts';
import { useOpenDesign } from '../../design/store.ts';
import { Button } from '../../parts/Button.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Notice, Quiet, Row } from '../../parts/Panel.tsx';
import { say } from '../../parts/messages.ts';
import { titleOf, Verdict } from '../../shell/Verdict.tsx';
import { planner } from '../../work/door.ts';
import { text } from './text.ts';

const Item = styled.li`
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 10px;
  padding: 9px 0;
  border-top: 1px dashed var(--seam);
  font-size: 14px;
  line-height: 1.32;
  &:first-child {
    border-top: 0;
  }
  > :first-child {
    align-self: start;
  }
`;
const Changes = styled.ul`
  display: grid;
  gap: 6px;
  margin: 6px 0 2px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 10px;
    align-items: center;
    padding: 6px 0 6px 10px;
    border-left: 3px solid var(--fox);
  }
`;

const Ask = styled.button`
  min-height: 32px;
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--fox);
  font-weight: 600;
  text-decoration: underline;
  cursor: pointer;
`;

/** A value as the place writes it. */
const valueOf = (value: number | string, unitOf: Change['unit'], unit: LengthUnit): string =>
  unitOf === 'months'
    ? text('months', { value })
    : factValue({ id: '', label: '', value, ...(unitOf && { unit: unitOf }) }, unit);

/** Rules that no dial, material or age changes: only care does. */
const NOT_CURED = ['test', 'remnant', 'fixing'];

/** How far a finding is from its limit. */
function Margin({ of, unit }: { of: Finding; unit: LengthUnit }) {
  const m = of.measured;
  if (!m || m.limit === 0 || of.verdict === 'clear') return null;
  const said = (x: number): string =>
    m.unit === 'mm' && x >= 1 ? formatLength(x, unit) : `${Math.round(x * 1000) / 1000} ${m.unit}`;
  return (
    <p>
      {of.younger === null
        ? text('limit', { m: said(m.value), limit: said(m.limit) })
        : text('limitUnderMonths', { m: said(m.value), limit: said(m.limit), younger: of.younger })}
      <strong>
        {m.margin < 0
          ? `${said(-m.margin)} ${of.younger === null ? text('change') : text('overThem')}`
          : text('room', { margin: said(m.margin) })}
      </strong>
    </p>
  );
}

const THEN = { clear: text('thenClear'), care: text('thenTakeCare'), stop: text('stopFewerNotAll') } as const;

function take(c: Change, design: Design): void {
  const { change } = useOpenDesign.getState();
  if (c.kind === 'dial') change({ dials: { ...design.dials, [c.id]: c.value } });
  else if (c.kind === 'material') change({ materials: { ...design.materials, [c.id]: [...c.kinds!] } });
  else {
    const ageFrom = Number(c.to);
    change({ ageFrom, ...(design.ageTo <= ageFrom ? { ageTo: Math.min(216, ageFrom + 6) } : {}) });
  }
  say(text('now', { c: c.label, what: typeof c.to === 'number' ? c.to : c.to.toLowerCase() }));
}

/** The least changes that clear a finding, each with what it does besides. */
function WhatClears({
  of,
  design,
  materials,
  unit,
}: {
  of: Finding;
  design: Design;
  materials: readonly MaterialRow[];
  unit: LengthUnit;
}) {
  const { data: by } = useRules();
  const rate = useRates(materials);
  const ask = by ? askOf(design, materials, by) : null;
  const found = useQuery({
    queryKey: [text('whatClears'), of.rule, ask],
    queryFn: () => planner().changes(ask!, of.rule, [...shelfOf(materials).values()]),
    enabled: ask !== null,
    staleTime: Infinity,
    retry: false,
  });
  if (found.error) return <Notice tone="stop">{words(found.error)}</Notice>;
  if (!found.data) return <Quiet role="status">{text('tryingEveryDialMaterial')}</Quiet>;
  const costOf = (needs: Change['needs']): number =>
    threeCosts({ needs, rate, copies: 1, purchaseTotal: null }).materialsUsed;
  if (found.data.length === 0) return <Quiet>{text('noDialNoMaterial')}</Quiet>;
  return (
    <Changes aria-label={text('whatWouldClear', { title: of.title })}>
      {found.data.slice(0, 6).map((c) => (
        <li key={`${c.kind}${c.id}${String(c.to)}`}>
          <div>
            <strong>
              {c.label}: {valueOf(c.from, c.unit, unit)} → {valueOf(c.to, c.unit, unit)}
            </strong>
            <br />
            <Quiet>
              {[
                THEN[c.verdict],
                text('fit', { headline: c.fit.headline.toLowerCase() }),
                c.load[1] === null
                  ? text('noDifficulty')
                  : c.load[0] === null
                    ? text('difficulty', { now: c.load[1].toFixed(1) })
                    : text('difficultyBefore', { now: c.load[1].toFixed(1), before: c.load[0].toFixed(1) }),
                text('materials', { needs: money(Math.round(costOf(c.needs))) }),
              ].join(' · ')}
            </Quiet>
          </div>
          <Button small plain={c.fit.verdict === 'stop'} onPress={() => take(c, design)}>
            {text('take')}
          </Button>
        </li>
      ))}
    </Changes>
  );
}

/** One finding with its number, its rule, and on request what would clear it. */
export function FindingItem({
  of,
  design,
  materials,
  unit,
  onWhere,
  onGauge,
}: {
  of: Finding;
  design: Design;
  materials: readonly MaterialRow[];
  unit: LengthUnit;
  /** Shows it on the design. */
  onWhere(): void;
  /** Shows it on its gauge; null where it has none. */
  onGauge: (() => void) | null;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Item>
      <Verdict kind={of.verdict} />
      <div>
        <h3>{titleOf(of)}</h3>
        <p>{inUnit(`${of.words} ${of.remedy ?? ''}`, unit)}</p>
        <Row $gap={14}>
          <Ask type="button" onClick={onWhere}>
            {text('showWhere')}
          </Ask>
          {onGauge && (
            <Ask type="button" onClick={onGauge}>
              {text('onGauge2')}
            </Ask>
          )}
          {of.verdict !== 'clear' && !NOT_CURED.includes(of.rule) && !isOpen && (
            <Ask type="button" onClick={() => setOpen(true)}>
              {text('whatWouldClear2')}
            </Ask>
          )}
        </Row>
        {/* What the place itself has made of a rule stands with what it says. */}
        {of.changed && <Quiet>{of.changed}</Quiet>}
        <Fold>
          <summary style={{ minHeight: 30 }}>{text('whichRule')}</summary>
          <div>
            <Margin of={of} unit={unit} />
            <Quiet>{of.source}</Quiet>
          </div>
        </Fold>
        {isOpen && of.verdict !== 'clear' && (
          <div style={{ marginTop: 4 }}>
            <WhatClears of={of} design={design} materials={materials} unit={unit} />
          </div>
        )}
      </div>
    </Item>
  );
}
