import { useEffect, useState } from 'react';
import { styled } from 'styled-components';
import type { Kit } from '../../../contract/lending.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Place } from '../../../contract/place.ts';
import { daysBetween } from '../../../core/calendar/days.ts';
import type { CountOutcome } from '../../../core/lend/status.ts';
import { smallParts } from '../../../core/gauge/smallParts.ts';
import { shapeOf } from '../../../core/materials/material.ts';
import { api, doneIdOf, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button } from '../../parts/Button.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Notice, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { SewnButton } from '../../shell/Verdict.tsx';
import { CountPhoto } from './CountPhoto.tsx';
import { Homes } from './Found.tsx';
import { begunCount, keepCount } from './begunCount.ts';
import type { OnDone } from './JustDone.tsx';
import { text } from './text.ts';

const Count = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 44px;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px dashed var(--seam);
  font-size: 14.5px;
  span:last-child {
    color: var(--slate);
    font-size: 13.5px;
  }
`;

/** A button beside words, so that it takes no line of its own on a phone. */
const BesideWords = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
`;

const days = (n: number): string => `${n} ${n === 1 ? 'day' : 'days'}`;

const known = new WeakMap<MaterialRow, boolean>();
/** Is a loose one a small part? Asked of the gauge once for a material; null where it has no solid shape. */
function looseSize(m: MaterialRow | undefined): boolean | null {
  const shape = m ? shapeOf(m) : null;
  if (!m || !shape) return null;
  const small = known.get(m) ?? smallParts(shape).fits !== false;
  known.set(m, small);
  return small;
}
const looseWords = (name: string, small: boolean | null): string =>
  small === null
    ? text('whetherLooseSmallPart', { name: name.toLowerCase() })
    : small
      ? text('looseSmallPartAsk', { name: name.toLowerCase() })
      : text('looseNotSmallPart', { name: name.toLowerCase() });

/** What is counted, as it looks; a part that was made has no material to draw. */
const PartPicture = ({ material }: { material: MaterialRow | undefined }) =>
  material ? <Picture material={material} size={30} /> : <span style={{ width: 30, flex: 'none' }} />;

/** Counts a kit back from a family, or where it hangs; a count that was begun is kept by the browser. */
export function CountIn({
  kit,
  materials,
  spare: free,
  place,
  daysLate,
  onUnfinished,
  onDone,
}: {
  kit: Kit;
  materials: readonly MaterialRow[];
  /** What of a material is kept and free of the bench; null until it is known. */
  spare: ((materialId: number | null) => number) | null;
  place: Place;
  daysLate: number;
  onUnfinished(unfinished: boolean): void;
  onDone: OnDone;
}) {
  const loan = kit.openLoan;
  const [start] = useState(() => kit.parts.map((p) => (loan ? p.due : p.present)));
  const size = kit.parts.length;
  // What is there of each part, then what of each is spoiled.
  const [kept] = useState(() => begunCount(kit.id, loan?.id ?? null, 2 * size));
  const [present, setPresent] = useState<readonly number[]>(
    () => kept?.slice(0, size).map((n, i) => Math.min(n, kit.parts[i]!.due)) ?? start,
  );
  const [saidSpoiled, setSpoiled] = useState<readonly number[]>(
    () => kept?.slice(size) ?? kit.parts.map(() => 0),
  );
  const spoiledOf = (there: readonly number[], said: readonly number[]): number[] =>
    said.map((n, i) => Math.min(n, kit.parts[i]!.due - there[i]!));
  const spoiled = spoiledOf(present, saidSpoiled);
  const counted = (there: readonly number[], broken: readonly number[] = spoiled): void => {
    const next = spoiledOf(there, broken);
    setPresent(there);
    setSpoiled(next);
    keepCount(kit.id, loan?.id ?? null, there.some((n, i) => n !== start[i]) ? [...there, ...next] : null);
  };
  const gaps = kit.parts
    .map((part, i) => ({
      part,
      i,
      short: part.due - present[i]!,
      lost: part.due - present[i]! - spoiled[i]!,
      material: materials.find((m) => m.id === part.materialId),
    }))
    .filter((g) => g.short > 0);
  const done = useChange(async (then: CountOutcome) => {
    const body = { present, ...(spoiled.some((n) => n > 0) ? { spoiled } : {}), then };
    const after = await (loan
      ? api<Kit>('POST', `/loans/${loan.id}/return`, body)
      : api<Kit>('POST', `/kits/${kit.id}/count`, body));
    keepCount(kit.id, loan?.id ?? null, null);
    const about = { kit: kit.label, borrower: loan?.borrower ?? '' };
    onDone({
      words: [
        loan ? text('isBackFrom', about) : text('isCounted', about),
        text('then', { then, missing: gaps.map((g) => `${g.short} × ${g.part.name}`).join(', ') }),
        after.toClean ? text('toCleanNext') : '',
      ]
        .filter(Boolean)
        .join(' '),
      id: doneIdOf(after),
      loans: [],
    });
    return after;
  });
  const [isOver, setOver] = useState(false);
  const [isPhoto, setPhoto] = useState(false);
  const [byPhoto, setByPhoto] = useState(false);
  const begun = !done.isSuccess && present.some((n, i) => n !== start[i]);
  useEffect(() => {
    onUnfinished(begun);
    return () => onUnfinished(false);
  }, [begun, onUnfinished]);
  const spare = free !== null && gaps.every((g) => free(g.part.materialId) >= g.short);
  const lost = gaps
    .filter((g) => g.lost > 0)
    .map((g) => ({ name: g.part.name, size: looseSize(g.material) }));
  // Without any of a part it is another kit.
  const canWriteOff = gaps.every((g) => present[g.i]! > 0);
  return (
    <Stack $gap={6}>
      <p style={{ fontSize: 14.5 }}>
        {loan ? (
          <>
            {text('with')} <b>{loan.borrower}</b>{' '}
            {text('for', { lentOn: days(daysBetween(loan.lentOn, place.today)) })}
            {daysLate > 0 ? (
              <b style={{ color: 'var(--stop)' }}>{text('overdue', { daysLate: days(daysLate) })}</b>
            ) : (
              text('due', { dueOn: shortDay(loan.dueOn) })
            )}
            {text('countWhatThere')}
          </>
        ) : (
          text('countWhatThere2')
        )}
      </p>
      {kept && begun && (
        <Spread>
          <Quiet>{text('thisCountWasBegun')}</Quiet>
          <Button small plain onPress={() => counted(start)}>
            {text('startAgain')}
          </Button>
        </Spread>
      )}
      <ul>
        {kit.parts.map((p, i) => (
          <Count key={p.name}>
            <span style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
              <PartPicture material={materials.find((m) => m.id === p.materialId)} />
              {p.name}
            </span>
            <Stepper
              label={p.name}
              value={present[i]!}
              max={p.due}
              short={present[i]! < p.due}
              onChange={(n) => counted(present.map((x, k) => (k === i ? n : x)))}
            />
            <span>{text('of', { due: p.due })}</span>
          </Count>
        ))}
      </ul>
      {isPhoto && (
        <CountPhoto
          kit={kit}
          onClose={() => setPhoto(false)}
          onFill={(seen) => {
            setByPhoto(true);
            counted(present.map((n, i) => Math.min(kit.parts[i]!.due, seen.get(kit.parts[i]!.name) ?? n)));
          }}
        />
      )}
      {gaps.length > 0 && (
        <Notice tone="care">
          <div style={{ display: 'flex', gap: 8 }}>
            <SewnButton kind="care" />
            <div>
              <strong>
                {text('short', { gaps: gaps.map((g) => `${g.short} × ${g.part.name}`).join(', ') })}
              </strong>
              <br />
              {free === null
                ? text('countingWhatFreeOn')
                : gaps
                    .map((g) => text('freeOnShelf', { materialId: free(g.part.materialId) }))
                    .join(' ')}{' '}
              {lost.map((l) => looseWords(l.name, l.size)).join(' ')}
            </div>
          </div>
          <ul aria-label={text('spoiledNotLost')}>
            {gaps.map((g) => (
              <Count key={g.part.name}>
                <span>
                  {text('spoiledNotLost')}
                  {gaps.length > 1 && `: ${g.part.name}`}
                </span>
                <Stepper
                  label={text('spoiled', { part: g.part.name })}
                  value={spoiled[g.i]!}
                  max={g.short}
                  onChange={(n) =>
                    counted(
                      present,
                      spoiled.map((x, k) => (k === g.i ? n : x)),
                    )
                  }
                />
                <span>{text('of2', { short: g.short })}</span>
              </Count>
            ))}
          </ul>
        </Notice>
      )}
      {byPhoto && <Quiet role="status">{text('filledByPhoto')}</Quiet>}
      <BesideWords>
        <Quiet>{loan ? text('cleanedThenWashOr') : text('washOrWipeAir')}</Quiet>
        <Button small plain onPress={() => setPhoto(true)}>
          {text('countWithPhoto')}
        </Button>
      </BesideWords>
      {done.error && <Notice tone="stop">{words(done.error)}</Notice>}
      <Row>
        {gaps.length === 0 ? (
          <Button isDisabled={done.isPending} onPress={() => done.mutate('shelve')}>
            {loan ? text('allThereTakeBack') : text('allThere')}
          </Button>
        ) : (
          <>
            {/* Always in its place: a button that comes late would push the next one from under the finger. */}
            <Button isDisabled={!spare || done.isPending} onPress={() => done.mutate('fill')}>
              {text('fillFromStock')}
            </Button>
            <Button plain isDisabled={done.isPending} onPress={() => done.mutate('repair')}>
              {text('repair')}
            </Button>
            {loan && (
              <Button
                plain
                small
                isDisabled={lost.length === 0 || done.isPending}
                onPress={() => done.mutate('ask back')}
              >
                {text('askBack')}
              </Button>
            )}
            <Button
              plain
              small
              isDisabled={!canWriteOff || done.isPending}
              onPress={() => done.mutate('write off')}
            >
              {text('writeOff')}
            </Button>
          </>
        )}
        <Button plain small aria-expanded={isOver} onPress={() => setOver(!isOver)}>
          {text('oneTooMany')}
        </Button>
      </Row>
      {isOver && <Homes but={kit.id} />}
    </Stack>
  );
}
