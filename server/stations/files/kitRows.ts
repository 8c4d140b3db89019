import { COLUMNS } from '../../../contract/files.ts';
import { readLabel } from '../../../core/lend/labels.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { countedWords, readCounted } from './countedCells.ts';
import type { Cells } from './cells.ts';
import { paged, type Kind, type Known } from './kind.ts';

export interface KitValue {
  readonly label: string;
  /** The kit that is changed; null for one that is new here. */
  readonly id: number | null;
  readonly designId: number;
  readonly bundleId: number | null;
  readonly parts: readonly PartJson[];
  readonly repair: boolean;
  readonly toClean: boolean;
  readonly restsUntil: string | null;
  readonly retiredOn: string | null;
  readonly lastCounted: string | null;
}

/** The kit that a row's label names; told where there is none. */
export function kitIn(cells: Cells, known: Known) {
  const typed = cells.words('label');
  const label = readLabel(typed);
  const kit = label === null ? undefined : known.kits.get(label);
  if (kit === undefined)
    cells.fault(
      'label',
      typed === '' ? 'is missing; expected a label like FB-001a' : 'expected the label of a kit that is here',
    );
  return kit;
}

/** A cell of counts of a kit; undefined where it is empty. */
export function countedIn(cells: Cells, column: string, parts: readonly PartJson[]): PartJson[] | undefined {
  const text = cells.words(column);
  if (text === '') return undefined;
  try {
    return readCounted(text, parts);
  } catch (error) {
    cells.fault(column, error instanceof Error ? error.message : String(error));
    return undefined;
  }
}

export const kitRows: Kind<KitValue> = {
  columns: COLUMNS.kits.all,
  required: COLUMNS.kits.required,
  read(cells, known) {
    const typed = cells.words('label');
    const label = readLabel(typed);
    if (label === null) cells.fault('label', 'expected a label like FB-001a');
    const there = label === null ? undefined : known.kits.get(label);
    const name = cells.words('kit');
    const of = known.lendable.get(name.toLowerCase());
    if (there && name.toLowerCase() !== there.kit.toLowerCase())
      cells.fault('kit', `is ${there.kit} here; a label stays with its kit`);
    if (!there && of === undefined)
      cells.fault('kit', 'expected a design, or a kit of several designs, of this place');
    if (!there && of === null) cells.fault('kit', 'names several designs; expected a name that only one has');
    const template = there ?? of ?? null;
    const parts = template ? (countedIn(cells, 'parts', template.parts) ?? template.parts) : [];
    const value = {
      repair: cells.yesNo('in_repair'),
      toClean: cells.yesNo('to_clean'),
      restsUntil: cells.day('rests_until') ?? null,
      retiredOn: cells.day('retired_on') ?? null,
      lastCounted: cells.day('last_counted') ?? null,
    };
    if (there?.isOut && (value.retiredOn !== null || value.toClean || value.repair))
      cells.fault(
        value.retiredOn !== null ? 'retired_on' : value.toClean ? 'to_clean' : 'in_repair',
        'is lent; expected it to be taken back first',
      );
    for (const column of ['last_counted', 'retired_on'] as const) {
      const day = column === 'retired_on' ? value.retiredOn : value.lastCounted;
      if (day !== null && day > known.today) cells.fault(column, `expected ${known.today} or earlier`);
    }
    if (cells.faults > 0 || label === null || template === null) return null;
    return {
      label,
      id: there?.id ?? null,
      designId: template.designId,
      bundleId: template.bundleId,
      parts,
      ...value,
    };
  },
  key: (k) => k.label,
  exists: (k) => k.id !== null,
  async *pages(em) {
    interface Row {
      id: number;
      label: string;
      kit: string;
      skill: string;
      parts: string;
      last_counted: string | null;
      repair: number;
      to_clean: number;
      rests_until: string | null;
      retired_on: string | null;
      borrower: string | null;
      due_on: string | null;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select k.id, k.label, coalesce(bundle.name, d.name) as kit, d.skill, k.parts, k.last_counted, k.repair, k.to_clean, k.rests_until, k.retired_on, b.name as borrower, l.due_on from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null left join borrower b on b.id = l.borrower_id where k.id > ? order by k.id limit 100',
        [after],
      ),
    ))
      yield page.map((c) => [
        c.label,
        c.kit,
        c.skill,
        countedWords(JSON.parse(c.parts) as PartJson[]),
        c.last_counted,
        c.repair ? 'yes' : 'no',
        c.to_clean ? 'yes' : 'no',
        c.rests_until,
        c.retired_on,
        c.borrower,
        c.due_on,
      ]);
  },
};
