import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Design, DesignInput } from '../../../contract/designs.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Place } from '../../../contract/place.ts';
import { formatAges } from '../../../core/calendar/ages.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useRules } from '../../data/queries.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { planner } from '../../work/door.ts';
import { text } from './text.ts';

/** Whom it may be for, months: the youngest decides what is a small part. */
const AGES = [
  [12, 18],
  [18, 30],
  [30, 48],
  [48, 72],
] as const;
const Tiles = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 10px;
    align-items: center;
    border-top: 1px dashed var(--seam);
    padding-top: 8px;
  }
  li:first-child {
    border-top: 0;
    padding-top: 0;
  }
`;

/** What the free stock allows of each pattern without any design yet: one press begins one. */
export function NotBegun({
  materials,
  free,
  place,
  onProblem,
}: {
  materials: readonly MaterialRow[];
  free: readonly (readonly [number, number])[];
  place: Place;
  onProblem: (problem: string | null) => void;
}) {
  const [ages, setAges] = useState<(typeof AGES)[number]>(AGES[1]);
  const navigate = useNavigate();
  const { data: rules } = useRules();
  const start = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  const fresh = useQuery({
    queryKey: [text('fromStock'), free, place.approach, ages[0], rules?.rules],
    queryFn: () =>
      planner().fromStock({
        materials,
        free,
        approach: place.approach,
        ageFrom: ages[0],
        market: place.market,
        rules: rules?.rules,
        most: 4,
      }),
    staleTime: Infinity,
    retry: false,
  });
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? text('material2', { id });
  return (
    <Panel>
      <Stack $gap={10}>
        <h2>{text('newDesignsYouCould')}</h2>
        <Choice
          label={text('for')}
          value={String(ages[0])}
          onChange={(v) => setAges(AGES.find(([from]) => String(from) === v) ?? AGES[1])}
          options={AGES.map(([from, to]) => ({ value: String(from), label: formatAges(from, to) }))}
        />
        {fresh.error && <Notice tone="stop">{words(fresh.error)}</Notice>}
        {!fresh.data && !fresh.error && <p role="status">{text('tryingWhatGoesTogether')}</p>}
        {fresh.data?.length === 0 && (
          <p>
            {text('nothingFreeGoesTogether')}{' '}
            <ButtonLink small plain to="/gather/look-over">
              {text('lookOverFind')}
            </ButtonLink>
          </p>
        )}
        <Tiles>
          {fresh.data?.map((f) => {
            const ids = Object.values(f.materials).flat();
            return (
              <li key={f.pattern + ids.join()}>
                <Row $gap={2}>
                  {ids.map((id) => {
                    const m = materials.find((x) => x.id === id);
                    return m ? <Picture key={id} material={m} size={40} /> : null;
                  })}
                </Row>
                <span>
                  <b>
                    {f.copies} × {f.name.toLowerCase()}
                  </b>
                  <br />
                  <Quiet>
                    {text('firstRunOut', { ids: ids.map(nameOf).join(' + ') })} {f.first?.name}
                    {f.cautions.length > 0 &&
                      text('takeCare2', { cautions: f.cautions.join(', ').toLowerCase() })}
                  </Quiet>
                </span>
                <Button
                  small
                  plain
                  isDisabled={start.isPending}
                  onPress={() => {
                    onProblem(null);
                    start.mutate(
                      {
                        ownName: false,
                        name: ids.map(nameOf).reverse().join(' into ').slice(0, 80),
                        pattern: f.pattern,
                        forGroup: place.name,
                        ageFrom: ages[0],
                        ageTo: ages[1],
                        skill: f.skill,
                        copies: 1,
                        dials: f.dials,
                        approach: place.approach,
                        materials: Object.fromEntries(
                          Object.entries(f.materials).map(([role, kinds]) => [role, [...kinds]]),
                        ),
                      },
                      {
                        onSuccess: (d) => void navigate(`/shape/${d.id}`),
                        onError: (e) => onProblem(words(e)),
                      },
                    );
                  }}
                >
                  {text('shape')}
                </Button>
              </li>
            );
          })}
        </Tiles>
      </Stack>
    </Panel>
  );
}
