import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Lot } from '../../../contract/lots.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { type Day } from '../../../core/calendar/days.ts';
import { shortDay } from '../../data/style.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import type { Sizes } from '../../../core/materials/material.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { undoable } from '../../parts/messages.ts';
import { MeasuredFields } from './MeasuredFields.tsx';
import { amount, sizeWords } from './words.ts';
import { text } from './text.ts';

const Line = styled.li`
  border-top: 1px dashed var(--seam);
  padding: 9px 0;
  display: grid;
  gap: 6px;
  &:first-child {
    border-top: 0;
  }
`;
const STATE: Record<Lot['state'], string> = {
  ready: 'ready',
  'clean first': text('cleaned'),
  resting: text('quarantine'),
  never: text('neverOnShelf'),
};

/** The lots of one material: when they came, from whom, how they are, measured sizes. */
export function LotList({ material, unit, today }: { material: MaterialRow; unit: LengthUnit; today: Day }) {
  const { data: lots, error } = useQuery({
    queryKey: ['lots', material.id],
    queryFn: () => api<Lot[]>('GET', `/lots?material=${material.id}`),
  });
  const [measuring, setMeasuring] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const change = useChange(
    ({ lot, part }: { lot: Lot; part: object }) =>
      api<Lot>('PUT', `/lots/${lot.id}`, { version: lot.version, ...part }),
    () => text('lotSaved'),
  );
  const { mutateAsync: remove } = useChange((id: number) => api<void>('DELETE', `/lots/${id}`));
  const [gone, setGone] = useState<number | null>(null);
  const tell = (e: unknown): void => setProblem(words(e));
  const save = (lot: Lot, part: object): void => {
    setProblem(null);
    change.mutate({ lot, part }, { onError: tell, onSuccess: () => setMeasuring(null) });
  };
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  return (
    <Panel as="div">
      <Stack $gap={8}>
        <h2>{text('lots2', { material: material.name })}</h2>
        {problem && <Notice tone="stop">{problem}</Notice>}
        {lots?.length === 0 && <p>{text('nCameYet')}</p>}
        <ul>
          {lots
            ?.filter((l) => l.id !== gone)
            .map((l) => (
              <Line key={l.id}>
                <Spread>
                  <b>
                    {amount(material, l.quantity)}
                    {l.quantity < l.came && (
                      <Quiet> {text('of', { material: amount(material, l.came) })}</Quiet>
                    )}
                  </b>
                  <Quiet>
                    {shortDay(l.cameOn)}
                    {l.from && text('from', { from: l.from })}
                  </Quiet>
                </Spread>
                <span style={{ fontSize: 14 }}>
                  {l.state === 'resting'
                    ? l.readyOn! <= today
                      ? text('quarantinedUntilReady', { readyOn: shortDay(l.readyOn!) })
                      : text('quarantineUntil', { readyOn: shortDay(l.readyOn!) })
                    : STATE[l.state]}
                  {Object.keys(l.sizes).length > 0 &&
                    text('measured', { what: sizeWords({ form: material.form, sizes: l.sizes }, unit) })}
                </span>
                {l.reason && <Quiet>{l.reason}</Quiet>}
                {measuring === l.id ? (
                  <Measure
                    lot={l}
                    material={material}
                    unit={unit}
                    onSave={(part) => save(l, part)}
                    onStop={() => setMeasuring(null)}
                  />
                ) : (
                  <Row>
                    {(l.state === 'clean first' || (l.state === 'resting' && l.readyOn! > today)) && (
                      <Button small onPress={() => save(l, { state: 'ready' })}>
                        {l.state === 'clean first' ? text('clean') : text('ready')}
                      </Button>
                    )}
                    <Button small plain onPress={() => setMeasuring(l.id)}>
                      {text('measureCount')}
                    </Button>
                    {/* A slip of the finger is taken back on the day; older lots are counted instead. */}
                    {l.cameOn === today && l.quantity === l.came && (
                      <Button
                        small
                        plain
                        onPress={() => {
                          setProblem(null);
                          setGone(l.id);
                          undoable({
                            words: text('lotDeleted', {
                              material: amount(material, l.quantity),
                              material2: material.name,
                            }),
                            later: () => remove(l.id),
                            undo: () => setGone(null),
                          });
                        }}
                      >
                        {text('delete')}
                      </Button>
                    )}
                  </Row>
                )}
              </Line>
            ))}
        </ul>
      </Stack>
    </Panel>
  );
}

function Measure({
  lot,
  material,
  unit,
  onSave,
  onStop,
}: {
  lot: Lot;
  material: MaterialRow;
  unit: LengthUnit;
  onSave(part: { quantity: number; sizes: Sizes }): void;
  onStop(): void;
}) {
  const [sizes, setSizes] = useState<Sizes>(lot.sizes);
  const [quantity, setQuantity] = useState<number | null>(lot.quantity);
  return (
    <Form onSubmit={() => quantity !== null && onSave({ quantity, sizes })}>
      <Stack $gap={8}>
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8 }}>
          <CountField label={text('left')} value={quantity} onChange={setQuantity} />
          <MeasuredFields material={material} sizes={sizes} unit={unit} onChange={setSizes} />
        </div>
        <Quiet>{text('sizeLeftEmptyStays')}</Quiet>
        <Row>
          <Button small type="submit" isDisabled={quantity === null}>
            {text('saveLot')}
          </Button>
          <Button small plain onPress={onStop}>
            {text('cancel')}
          </Button>
        </Row>
      </Stack>
    </Form>
  );
}
