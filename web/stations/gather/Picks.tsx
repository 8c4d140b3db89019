import { styled } from 'styled-components';
import { GROUPS } from '../../../core/catalogue/index.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { ButtonLink } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import type { Candidate } from './candidates.ts';
import { Pills } from '../../parts/Pills.tsx';
import { text } from './text.ts';

const Tiles = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 8px;
  button {
    width: 100%;
    height: 100%;
    min-height: 118px;
    display: grid;
    justify-items: center;
    align-content: space-between;
    gap: 6px;
    padding: 8px 6px;
    background: var(--oat);
    border: 1px solid var(--seam);
    border-radius: 10px;
    cursor: pointer;
    font: 600 13.5px/1.2 var(--body);
    text-align: center;
  }
  button:hover {
    border-color: var(--fox);
  }
`;

/** Everything that a find can be: by typing, by group, by picture. */
export function Wish({
  find,
  group,
  onFind,
  onGroup,
  onFirst,
}: {
  find: string;
  group: string | null;
  onFind(text: string): void;
  onGroup(group: string | null): void;
  onFirst(): void;
}) {
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <Form onSubmit={onFirst}>
          <TextField
            label={text('what')}
            value={find}
            onChange={onFind}
            type="search"
            hint={text('typeThenEnterPicks')}
          />
        </Form>
        <Pills role="group" aria-label={text('groups')}>
          {GROUPS.map((g) => (
            <button
              key={g}
              type="button"
              aria-pressed={group === g}
              onClick={() => onGroup(group === g ? null : g)}
            >
              {g}
            </button>
          ))}
        </Pills>
      </Stack>
    </Panel>
  );
}

export function Pictures({
  shown,
  title,
  wish,
  onPick,
}: {
  shown: readonly Candidate[];
  title: string;
  /** What was typed; empty where nothing was. */
  wish: string;
  onPick(c: Candidate): void;
}) {
  return (
    <Stack $gap={10}>
      <h2>{title}</h2>
      <Tiles aria-label={text('materials')}>
        {shown.map((c) => (
          <li key={c.words}>
            <button type="button" onClick={() => onPick(c)}>
              <Picture material={c.material} size={58} />
              {c.material.name}
            </button>
          </li>
        ))}
      </Tiles>
      {wish !== '' && (
        <Row>
          <span>{shown.length === 0 ? text('notKnownHere', { wish }) : text('noneOfThese')}</span>
          <ButtonLink
            plain={shown.length > 0}
            small
            to={`/gather?material=new&name=${encodeURIComponent(wish)}`}
          >
            {text('addNewKind', { wish })}
          </ButtonLink>
        </Row>
      )}
      <Quiet>{text('rawMeatTraysMedicine')}</Quiet>
    </Stack>
  );
}
