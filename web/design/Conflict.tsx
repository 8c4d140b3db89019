import type { Design } from '../../contract/designs.ts';
import { areLoaded, patternOf } from '../../core/patterns/index.ts';
import { useMaterials } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { Row, Stack } from '../parts/Panel.tsx';
import { Table } from '../parts/Table.tsx';
import { useOpenDesign } from './store.ts';
import { text } from './text.ts';

const FIELDS: Readonly<Partial<Record<keyof Design, string>>> = {
  name: text('name'),
  forGroup: text('group'),
  ageFrom: text('fromMonths'),
  ageTo: text('months'),
  skill: text('skill'),
  approach: text('approach'),
  copies: text('kits'),
  made: text('kitsMade'),
  onBench: text('onBench'),
};
const say = (value: unknown): string =>
  value === undefined || value === null
    ? 'none'
    : typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : typeof value === 'string'
        ? value
        : JSON.stringify(value);

export interface Difference {
  readonly field: string;
  readonly here: string;
  readonly there: string;
}

/** Every field in which two states of a design differ, by the names it has on screen; values compared deeply. */
export function differences(
  mine: Design,
  theirs: Design,
  nameOf: (materialId: number) => string,
): Difference[] {
  // A pattern that is not loaded has its own words for roles only.
  const family = areLoaded([mine.pattern]) ? patternOf(mine.pattern) : null;
  const roles = new Map(family?.roles.map((r) => [r.id, r.label]));
  const names = (ids: readonly number[] | undefined): string =>
    ids === undefined || ids.length === 0 ? 'none' : ids.map(nameOf).join(', ');
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  const keys = <T extends object>(a: T, b: T): string[] => [
    ...new Set([...Object.keys(a), ...Object.keys(b)]),
  ];
  return [
    ...(Object.keys(FIELDS) as (keyof Design)[])
      .filter((k) => !same(mine[k], theirs[k]))
      .map((k) => ({ field: FIELDS[k]!, here: say(mine[k]), there: say(theirs[k]) })),
    ...keys(mine.materials, theirs.materials)
      .filter((k) => !same(mine.materials[k] ?? [], theirs.materials[k] ?? []))
      .map((k) => ({
        field: roles.get(k) ?? k,
        here: names(mine.materials[k]),
        there: names(theirs.materials[k]),
      })),
    ...keys(mine.dials, theirs.dials)
      .filter((k) => !same(mine.dials[k], theirs.dials[k]))
      .map((k) => ({ field: k, here: say(mine.dials[k]), there: say(theirs.dials[k]) })),
  ];
}

/** Two screens turned the same dials: both are shown, and one is chosen. */
export default function Conflict() {
  const draft = useOpenDesign((s) => s.draft);
  const theirs = useOpenDesign((s) => s.theirs);
  const keepMine = useOpenDesign((s) => s.keepMine);
  const takeTheirs = useOpenDesign((s) => s.takeTheirs);
  const { data: materials } = useMaterials();
  if (!draft || !theirs) return null;
  const rows = differences(
    draft,
    theirs,
    (id) => materials?.find((m) => m.id === id)?.name ?? text('material', { id }),
  );
  return (
    <Dialog title={text('wasChangedOnScreen', { draft: draft.name })} isOpen onClose={() => {}} mustAnswer>
      <Stack>
        <p>{text('nothingLostYetChoose')}</p>
        <Table
          caption={text('whatDiffers')}
          left={[1, 2]}
          head={[text('field'), 'here', 'there']}
          rows={rows.map((r) => ({ key: r.field, cells: [r.field, r.here, r.there] }))}
        />
        <Row>
          <Button onPress={keepMine}>{text('keepWhatHere')}</Button>
          <Button plain onPress={takeTheirs}>
            {text('takeWhatThere')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
