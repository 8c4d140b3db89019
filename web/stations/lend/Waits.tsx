import { useState } from 'react';
import { styled } from 'styled-components';
import type { Copy, StateInput } from '../../../contract/lending.ts';
import type { Standing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useCopyPages } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';

/** Kits in the house that are neither lent out nor counted in next. */
export const NOT_COUNTED: readonly Standing[] = ['to clean', 'resting', 'recalled', 'retired'];

const useStateChange = (id: number) =>
  useChange((input: StateInput) => api<Copy>('POST', `/copies/${id}/state`, input));

/** One touch once it is clean; what cannot be washed rests then. */
function Cleaned({ copy, small = false }: { copy: Copy; small?: boolean }) {
  const change = useStateChange(copy.id);
  return (
    <>
      <Button
        small={small}
        plain={small}
        isDisabled={change.isPending}
        aria-label={`${copy.label} is cleaned`}
        onPress={() =>
          change.mutate(
            { to: 'cleaned' },
            {
              onSuccess: (c) =>
                say(
                  c.restsUntil
                    ? `${c.label} rests until ${shortDay(c.restsUntil)}: part of it cannot be washed.`
                    : `${c.label} is clean and in.`,
                ),
            },
          )
        }
      >
        Cleaned
      </Button>
      {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
    </>
  );
}

/** Why a kit that is here is not lent, and what ends that. */
export function Waits({ copy, standing }: { copy: Copy; standing: Standing }) {
  const change = useStateChange(copy.id);
  if (standing === 'recalled')
    return (
      <Notice tone="stop">
        <strong>Called back.</strong> It is not lent: {copy.recalled}.
        <div style={{ marginTop: 6 }}>
          <ButtonLink plain small to={`/check/${copy.designId}`}>
            See the tests
          </ButtonLink>
        </div>
      </Notice>
    );
  if (standing === 'resting')
    return (
      <Notice tone="care">
        <strong>Rests until {shortDay(copy.restsUntil!)}.</strong> Part of it cannot be washed; then it is in
        by itself.
      </Notice>
    );
  if (standing === 'retired')
    return (
      <Stack $gap={8}>
        <Notice tone="care">
          <strong>Retired on {shortDay(copy.retiredOn!)}.</strong> It is not lent any more.
        </Notice>
        {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
        <div>
          <Button plain isDisabled={change.isPending} onPress={() => change.mutate({ to: 'in use' })}>
            Use it again
          </Button>
        </div>
      </Stack>
    );
  return (
    <Stack $gap={8}>
      <Notice tone="care">
        <strong>To clean.</strong> Wash or wipe, air dry; it is not lent before.
      </Notice>
      <div>
        <Cleaned copy={copy} />
      </div>
    </Stack>
  );
}

/** Takes a kit out of use for good; it stays on record with why. */
export function Retire({ copy }: { copy: Copy }) {
  const [why, setWhy] = useState('');
  const [by, setBy] = useState('');
  const change = useStateChange(copy.id);
  return (
    <Form onSubmit={() => change.mutate({ to: 'retired', why, by })}>
      <Stack $gap={8}>
        <TextField label="Why" value={why} onChange={setWhy} hint="worn out, not liked, called back" />
        <TextField label="Retired by" value={by} onChange={setBy} />
        {change.error && <Notice tone="stop">{words(change.error)}</Notice>}
        <div>
          <Button type="submit" plain isDisabled={change.isPending}>
            Retire {copy.label}
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
  const dirty = useCopyPages({ standing: 'to clean', limit: 8 }, toClean > 0);
  const broken = useCopyPages({ standing: 'repair', limit: 8 }, repair > 0);
  if (toClean + repair === 0) return null;
  const listed = (pages: typeof dirty): readonly Copy[] => pages.data?.pages[0]?.items ?? [];
  const more = (all: number, here: number) =>
    all > here && here > 0 ? <Quiet>and {all - here} more</Quiet> : null;
  return (
    <Panel as="section" aria-label="For a quiet hour">
      {/* On a phone it is one line: the desk comes first. */}
      <details open={innerWidth > 900}>
        <Summary>
          <h2>For a quiet hour</h2>
          <Quiet>
            {[toClean > 0 ? `${toClean} to clean` : '', repair > 0 ? `${repair} in repair` : '']
              .filter(Boolean)
              .join(', ')}
          </Quiet>
        </Summary>
        <Stack $gap={8} style={{ marginTop: 8 }}>
          {toClean > 0 && (
            <>
              <b style={{ fontSize: 14 }}>{toClean} to clean</b>
              <List aria-label="To clean">
                {listed(dirty).map((c) => (
                  <li key={c.id}>
                    <span>
                      {c.design} <Quiet>{c.label}</Quiet>
                    </span>
                    <Cleaned copy={c} small />
                  </li>
                ))}
              </List>
              {more(toClean, listed(dirty).length)}
            </>
          )}
          {repair > 0 && (
            <>
              <b style={{ fontSize: 14 }}>{repair} in repair</b>
              <List aria-label="In repair">
                {listed(broken).map((c) => (
                  <li key={c.id}>
                    <span>
                      {c.design} <Quiet>{c.label}</Quiet>
                    </span>
                    <Row>
                      <Button small plain aria-label={`Open ${c.label}`} onPress={() => onChoose(c.label)}>
                        Open
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
