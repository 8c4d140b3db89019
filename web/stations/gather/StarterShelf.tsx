import { useMemo, useState } from 'react';
import { Checkbox } from 'react-aria-components/Checkbox';
import { styled } from 'styled-components';
import type { StarterInput } from '../../../contract/starter.ts';
import { asMaterial } from '../../../core/catalogue/index.ts';
import { starterShelf, type StarterKind } from '../../../core/catalogue/starter.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button } from '../../parts/Button.tsx';
import { Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { sizeWords } from './words.ts';
import { text } from './text.ts';

const Kinds = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(255px, 1fr));
  gap: 6px 10px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 84px;
    gap: 8px;
    align-items: center;
    background: var(--paper);
    border: 1px solid var(--seam);
    border-radius: 9px;
    padding: 5px 8px;
    min-height: 58px;
  }
  /* The name of the kind stands beside it. */
  li > div > label {
    position: absolute;
    clip-path: inset(50%);
  }
`;
const Tick = styled(Checkbox)`
  display: grid;
  grid-template-columns: 22px 40px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
  font-size: 14px;
  line-height: 1.2;
  small {
    display: block;
    color: var(--slate);
    font-size: 12.5px;
  }
  .box {
    width: 22px;
    height: 22px;
    border: 2px solid var(--seam-strong);
    border-radius: 6px;
    display: grid;
    place-items: center;
    background: var(--paper);
    color: var(--paper);
    font: 800 15px/1 var(--body);
  }
  &[data-selected] .box {
    background: var(--ink);
    border-color: var(--ink);
  }
  &[data-focus-visible] .box {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
`;

/** In sight however long the list is. */
const Foot = styled(Row)`
  position: sticky;
  bottom: -14px;
  background: var(--oat);
  padding: 10px 0;
  border-top: 1px solid var(--seam);
`;

/** What most households have, to tick, each with how many there are. */
export function StarterShelf({
  unit,
  isBusy,
  onTake,
  onCancel,
}: {
  unit: LengthUnit;
  isBusy: boolean;
  onTake(kinds: StarterInput['kinds']): void;
  onCancel(): void;
}) {
  const all = useMemo(() => starterShelf(), []);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  /** Counts that were typed, each or whole metres; null for a field that was emptied. */
  const [typed, setTyped] = useState<Readonly<Record<string, number | null>>>({});
  const per = (k: StarterKind): number => (k.entry.unit === 'mm' ? 1000 : 1);
  const countOf = (k: StarterKind): number | null =>
    k.entry.key in typed ? typed[k.entry.key]! : k.usual / per(k);
  const chosen = all.filter((k) => ticked.has(k.entry.key));
  const isMissing = chosen.some((k) => countOf(k) === null);
  return (
    <Stack>
      <Quiet>{text('countsAreUsual')}</Quiet>
      <Kinds aria-label={text('starterKinds')}>
        {all.map((k) => {
          const { entry } = k;
          const isOn = ticked.has(entry.key);
          return (
            <li key={entry.key}>
              <Tick
                isSelected={isOn}
                onChange={(on) => {
                  const next = new Set(ticked);
                  if (on) next.add(entry.key);
                  else next.delete(entry.key);
                  setTicked(next);
                }}
              >
                <span className="box" aria-hidden>
                  ✓
                </span>
                <Picture material={asMaterial(entry)} size={38} />
                <span>
                  <b>{entry.name}</b>
                  <small>{sizeWords(asMaterial(entry), unit)}</small>
                </span>
              </Tick>
              {isOn && (
                <CountField
                  label={text(entry.unit === 'mm' ? 'howManyMetresOf' : 'howManyOf', { kind: entry.name })}
                  value={countOf(k)}
                  suffix={entry.unit === 'mm' ? 'm' : '×'}
                  onChange={(n) => setTyped({ ...typed, [entry.key]: n })}
                />
              )}
            </li>
          );
        })}
      </Kinds>
      <Foot>
        <Button
          isDisabled={isBusy || chosen.length === 0 || isMissing}
          onPress={() =>
            onTake(
              chosen.map((k) => ({ catalogue: k.entry.key, quantity: Math.round(countOf(k)! * per(k)) })),
            )
          }
        >
          {text('putOnShelf', { kinds: chosen.length })}
        </Button>
        <Button
          plain
          onPress={() =>
            setTicked(ticked.size === all.length ? new Set() : new Set(all.map((k) => k.entry.key)))
          }
        >
          {ticked.size === all.length ? text('tickNone') : text('tickAll')}
        </Button>
        <Button plain onPress={onCancel}>
          {text('back')}
        </Button>
        {isMissing && <Quiet role="status">{text('countMissing')}</Quiet>}
      </Foot>
    </Stack>
  );
}
