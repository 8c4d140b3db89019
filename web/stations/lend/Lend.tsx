import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Copy } from '../../../contract/lending.ts';
import { shortDay } from '../../../core/calendar/days.ts';
import { readLabel } from '../../../core/lend/labels.ts';
import { missing, standing } from '../../../core/lend/status.ts';
import { words } from '../../data/api.ts';
import { useBorrowers, useCopies, useMaterials, usePlace } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { Desk } from './Desk.tsx';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 356px;
  gap: 12px 16px;
  @media (min-width: 1101px) {
    height: 100%;
    > * {
      min-height: 0;
      overflow: auto;
      padding: 3px;
      margin: -3px;
    }
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > aside {
      order: -1;
    }
  }
`;
const Rail = styled.section`
  > h2 {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    font-size: 16px;
    small {
      font: 400 13px/1 var(--body);
      color: var(--slate);
      letter-spacing: 0;
    }
  }
  > .wood {
    height: 9px;
    border-radius: 5px;
    background: linear-gradient(#b98f5c 62%, #8e6836 62%);
    margin: 5px 0 0;
  }
  > ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0 8px;
  }
`;
const Hung = styled.button<{ $dashed: boolean; $late: boolean; $on: boolean }>`
  position: relative;
  margin-top: 14px;
  width: 118px;
  min-height: 90px;
  height: calc(100% - 14px);
  text-align: left;
  padding: 7px 9px 8px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  background: ${(p) => (p.$dashed ? 'transparent' : 'var(--paper)')};
  border: ${(p) => (p.$dashed ? '1.5px dashed' : '1px solid')}
    ${(p) => (p.$late ? 'var(--stop)' : p.$dashed ? 'var(--seam-strong)' : 'var(--seam)')};
  border-radius: 9px;
  ${(p) => p.$on && 'outline: 3px solid var(--fox); outline-offset: 1px;'}
  &:hover {
    border-color: var(--fox);
  }
  &::before {
    content: '';
    position: absolute;
    left: 50%;
    top: -15px;
    width: 9px;
    height: 15px;
    margin-left: -5px;
    border: 2.5px solid #6b604b;
    border-top: 0;
    border-right: 0;
    border-radius: 0 0 0 8px;
  }
  code {
    font: 600 12.5px/1.2 var(--body);
    color: var(--slate);
    display: block;
    letter-spacing: 0.02em;
  }
  b {
    font: 700 14px/1.12 var(--display);
    display: block;
    margin: 2px 0 4px;
  }
  small {
    font-size: 12.5px;
    line-height: 1.25;
    display: block;
    color: ${(p) => (p.$late ? 'var(--stop)' : 'var(--slate)')};
    font-weight: ${(p) => (p.$late ? 700 : 400)};
  }
`;

function stateWords(copy: Copy, today: string): string {
  const s = standing(copy, today);
  const loan = copy.openLoan;
  if (s.standing === 'late')
    return `late ${s.daysLate} ${s.daysLate === 1 ? 'day' : 'days'} · ${loan!.borrower}`;
  if (s.standing === 'out') return `with ${loan!.borrower}, back ${shortDay(loan!.dueOn)}`;
  const gaps = missing(copy.parts);
  const short = gaps.reduce((n, g) => n + g.short, 0);
  if (s.standing === 'repair') return `in repair${short > 0 ? ` · ${short} missing` : ''}`;
  const piece = copy.parts.find((p) => p.due > 1) ?? copy.parts[0];
  return short > 0 ? `in · ${short} missing` : `in · counted ${piece ? `${piece.present}/${piece.due}` : ''}`;
}

/** The lending room: kits on the peg shelf by skill, and the desk. */
export function Component() {
  const { data: copies, error } = useCopies();
  const { data: borrowers } = useBorrowers();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState('');
  const [miss, setMiss] = useState<string | null>(null);
  const desk = useRef<HTMLDivElement>(null);
  const label = params.get('kit');
  const open = copies?.find((c) => c.label === label) ?? null;
  useEffect(() => {
    if (open && innerWidth < 900) desk.current?.scrollIntoView({ block: 'start' });
  }, [open]);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!copies || !borrowers || !materials || !place) return <p role="status">Opening the lending room …</p>;
  const stands = copies.map((c) => standing(c, place.today).standing);
  const late = stands.filter((s) => s === 'late').length;
  const out = stands.filter((s) => s === 'out').length + late;
  const skills = [...new Set(copies.map((c) => c.skill))];
  const choose = (c: Copy): void => {
    setMiss(null);
    setParams({ kit: c.label }, { replace: true });
  };
  const seek = (): void => {
    const wanted = readLabel(typed);
    const byLabel = wanted && copies.find((c) => c.label === wanted);
    const text = typed.trim().toLowerCase();
    const byFamily =
      text.length > 1 ? copies.filter((c) => c.openLoan?.borrower.toLowerCase().includes(text)) : [];
    const byName =
      text.length > 1
        ? copies.filter((c) => c.design.toLowerCase().includes(text) && !c.openLoan && !c.repair)
        : [];
    const found = byLabel || byFamily[0] || byName[0];
    if (!found)
      return setMiss(
        typed.trim() === ''
          ? 'Type or scan a label first.'
          : `No kit is labelled “${typed.trim()}”, lent to a family of that name, or called so and in.`,
      );
    setTyped('');
    choose(found);
  };
  return (
    <Grid>
      <div>
        <Stack $gap={14}>
          <Heading
            over={`${place.name} · ${shortDay(place.today)}`}
            title={
              copies.length === 0
                ? 'No kits yet'
                : `${copies.length} kits, ${out} out${late > 0 ? `, ${late} late` : ''}`
            }
          />
          {copies.length === 0 && (
            <Notice tone="care">Kits hang here once a build is marked as made in Make.</Notice>
          )}
          {skills.map((skill) => {
            const here = copies.filter((c) => c.skill === skill);
            return (
              <Rail key={skill} aria-label={skill}>
                <h2>
                  {skill}
                  <small>
                    {here.length} {here.length === 1 ? 'kit' : 'kits'}
                  </small>
                </h2>
                <div className="wood" />
                <ul>
                  {here.map((c) => {
                    const s = standing(c, place.today).standing;
                    return (
                      <li key={c.id}>
                        <Hung
                          type="button"
                          $dashed={s === 'out' || s === 'late' || s === 'repair'}
                          $late={s === 'late'}
                          $on={c.id === open?.id}
                          aria-pressed={c.id === open?.id}
                          onClick={() => choose(c)}
                        >
                          <code>{c.label}</code>
                          <b>{c.design}</b>
                          <small>{stateWords(c, place.today)}</small>
                        </Hung>
                      </li>
                    );
                  })}
                </ul>
              </Rail>
            );
          })}
        </Stack>
      </div>
      <aside ref={desk}>
        <Stack>
          <Panel as="div">
            <form
              onSubmit={(e) => {
                e.preventDefault();
                seek();
              }}
            >
              <Stack $gap={8}>
                <h2>Desk</h2>
                <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
                  <TextField label="Kit or family" value={typed} onChange={setTyped} />
                  <Button type="submit">Find it</Button>
                </div>
                <Quiet>Scan a label, or type it (FB-001a), the kit’s name or the family.</Quiet>
                {miss && <Notice tone="care">{miss}</Notice>}
              </Stack>
            </form>
          </Panel>
          {open && (
            <Desk
              key={`${open.id}-${open.openLoan?.id ?? 'in'}-${open.repair}-${open.lastCounted}`}
              copy={open}
              borrowers={borrowers}
              materials={materials}
              place={place}
            />
          )}
          {!open && (
            <Panel as="div">
              <Stack $gap={6}>
                <h2>{late > 0 ? 'Ask first for' : 'Next back'}</h2>
                {out === 0 && <Quiet>Nothing is out.</Quiet>}
                <ul style={{ display: 'grid', gap: 6, fontSize: 14 }}>
                  {copies
                    .filter((c) => c.openLoan)
                    .sort((a, b) => a.openLoan!.dueOn.localeCompare(b.openLoan!.dueOn))
                    .slice(0, 6)
                    .map((c) => (
                      <li
                        key={c.id}
                        style={{ color: c.openLoan!.dueOn < place.today ? 'var(--stop)' : undefined }}
                      >
                        <b>{c.openLoan!.borrower}</b>: {c.design},{' '}
                        {c.openLoan!.dueOn < place.today ? 'was due' : 'due'} {shortDay(c.openLoan!.dueOn)}
                      </li>
                    ))}
                </ul>
              </Stack>
            </Panel>
          )}
        </Stack>
      </aside>
    </Grid>
  );
}
