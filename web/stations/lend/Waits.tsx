import { useState } from 'react';
import { styled } from 'styled-components';
import type { Kit, StateInput } from '../../../contract/lending.ts';
import type { Standing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useKitPages } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Kits in the house that are neither lent out nor counted in next. */
export const NOT_COUNTED: readonly Standing[] = ['to clean', 'resting', 'recalled', 'retired'];

const useStateChange = (id: number) =>
  useChange(
    (input: StateInput) => api<Kit>('POST', `/kits/${id}/state`, input),
    (c, input) =>
      input.to === 'retired'
        ? text('isRetired', { c: c.label })
        : input.to === 'in use'
          ? text('isInUse', { c: c.label })
          : c.restsUntil
            ? text('restsUntilPartCannot', { c: c.label, restsUntil: shortDay(c.restsUntil) })
            : text('clean', { c: c.label }),
  );

/** One touch once it is clean; what cannot be washed rests then. */
function Cleaned({ kit, small = false }: { kit: Kit; small?: boolean }) {
  const change = useStateChange(kit.id);
  return (
    <>
      <Button
        small={small}
        plain={small}
        isDisabled={change.isPending}
        aria-label={text('cleaned', { kit: kit.label })}
        onPress={() => change.mutate({ to: 'cleaned' })}
      >
        {text('cleaned2')}
      </Button>
      {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
    </>
  );
}

/** Why a kit that is here is not lent, and what ends that. */
export function Waits({ kit, standing }: { kit: Kit; standing: Standing }) {
  const change = useStateChange(kit.id);
  if (standing === 'recalled')
    return (
      <Notice tone="stop">
        <strong>{text('calledBack')}</strong> {text('notLent')} {kit.recalled}.
        <div style={{ marginTop: 6 }}>
          <ButtonLink plain small to={`/check/${kit.designId}`}>
            {text('seeTests')}
          </ButtonLink>
        </div>
      </Notice>
    );
  if (standing === 'resting')
    return (
      <Notice tone="care">
        <strong>{text('restsUntil', { restsUntil: shortDay(kit.restsUntil!) })}</strong>{' '}
        {text('partCannotWashedThen')}
      </Notice>
    );
  if (standing === 'retired')
    return (
      <Stack $gap={8}>
        <Notice tone="care">
          <strong>{text('retiredOn', { retiredOn: shortDay(kit.retiredOn!) })}</strong>{' '}
          {text('notLentAnyMore')}
        </Notice>
        {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
        <div>
          <Button plain isDisabled={change.isPending} onPress={() => change.mutate({ to: 'in use' })}>
            {text('useAgain')}
          </Button>
        </div>
      </Stack>
    );
  return (
    <Stack $gap={8}>
      <Notice tone="care">
        <strong>{text('clean2')}</strong> {text('washOrWipeAirDry')}
      </Notice>
      <div>
        <Cleaned kit={kit} />
      </div>
    </Stack>
  );
}

/** Takes a kit out of use for good; it stays on record with why. */
export function Retire({ kit }: { kit: Kit }) {
  const [why, setWhy] = useState('');
  const [by, setBy] = useState('');
  const change = useStateChange(kit.id);
  return (
    <Form onSubmit={() => change.mutate({ to: 'retired', why, by })}>
      <Stack $gap={8}>
        <TextField label={text('why')} value={why} onChange={setWhy} hint={text('wornOutNotLiked')} />
        <TextField label={text('retired')} value={by} onChange={setBy} />
        {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
        <div>
          <Button type="submit" plain isDisabled={change.isPending}>
            {text('retire', { kit: kit.label })}
          </Button>
        </div>
      </Stack>
    </Form>
  );
}

const Summary = styled.summary`
  cursor: pointer;
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 10px;
`;
const List = styled.ul`
  display: grid;
  gap: 6px;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
    align-items: center;
    min-height: 36px;
  }
`;

/** What waits for a quiet hour: kits to clean, each done with one touch, and kits to mend. */
export function QuietHour({
  toClean,
  repair,
  onChoose,
}: {
  toClean: number;
  repair: number;
  onChoose(label: string): void;
}) {
  const dirty = useKitPages({ standing: text('clean3'), limit: 8 }, toClean > 0);
  const broken = useKitPages({ standing: 'repair', limit: 8 }, repair > 0);
  if (toClean + repair === 0) return null;
  const listed = (pages: typeof dirty): readonly Kit[] => pages.data?.pages[0]?.items ?? [];
  const more = (all: number, here: number) =>
    all > here && here > 0 ? <Quiet>{text('more', { all: all - here })}</Quiet> : null;
  return (
    <Panel as="section" aria-label={text('quietHour')}>
      {/* On a phone it is one line: the desk comes first. */}
      <details open={innerWidth > 900}>
        <Summary>
          <h2>{text('quietHour')}</h2>
          <Quiet>
            {[toClean > 0 ? text('clean4', { toClean }) : '', repair > 0 ? text('repair2', { repair }) : '']
              .filter(Boolean)
              .join(', ')}
          </Quiet>
        </Summary>
        <Stack $gap={8} style={{ marginTop: 8 }}>
          {toClean > 0 && (
            <>
              <b style={{ fontSize: 14 }}>{text('clean4', { toClean })}</b>
              <List aria-label={text('clean5')}>
                {listed(dirty).map((c) => (
                  <li key={c.id}>
                    <span>
                      {c.design} <Quiet>{c.label}</Quiet>
                    </span>
                    <Cleaned kit={c} small />
                  </li>
                ))}
              </List>
              {more(toClean, listed(dirty).length)}
            </>
          )}
          {repair > 0 && (
            <>
              <b style={{ fontSize: 14 }}>{text('repair2', { repair })}</b>
              <List aria-label={text('repair3')}>
                {listed(broken).map((c) => (
                  <li key={c.id}>
                    <span>
                      {c.design} <Quiet>{c.label}</Quiet>
                    </span>
                    <Row>
                      <Button
                        small
                        plain
                        aria-label={text('open', { c: c.label })}
                        onPress={() => onChoose(c.label)}
                      >
                        {text('open2')}
                      </Button>
                    </Row>
                  </li>
                ))}
              </List>
              {more(repair, listed(broken).length)}
            </>
          )}
        </Stack>
      </details>
    </Panel>
  );
}
