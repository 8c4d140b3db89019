import { borrowerInput } from '../../../contract/lending.ts';
import { COLUMNS } from '../../../contract/files.ts';
import { ALLERGIES, type Allergy } from '../../../core/lend/allergies.ts';
import { rows } from '../../db/rows.ts';
import { paged, type Kind } from './kind.ts';

export interface FamilyValue {
  readonly name: string;
  readonly group: string;
  readonly allergies: readonly Allergy[];
}

export const familyRows: Kind<FamilyValue> = {
  columns: COLUMNS.families.all,
  required: COLUMNS.families.required,
  read(cells) {
    const allergies = cells.list('allergies').map((w) => w.toLowerCase());
    for (const a of allergies)
      if (!(ALLERGIES as readonly string[]).includes(a))
        cells.fault('allergies', `“${a}” is not known; expected some of ${ALLERGIES.join(', ')}`);
    const value = { name: cells.words('name'), group: cells.words('group'), allergies };
    const read = cells.faults > 0 ? null : cells.check(borrowerInput, value, (p) => p.split('.')[0]!);
    return read && { ...read, allergies: read.allergies ?? [] };
  },
  key: (f) => f.name.toLowerCase(),
  exists: (f, known) => known.families.has(f.name.toLowerCase()),
  async *pages(em) {
    for await (const page of paged((after) =>
      rows<{ id: number; name: string; group_name: string; allergies: string }>(
        em,
        'select id, name, group_name, allergies from borrower where erased_on is null and id > ? order by id limit 1000',
        [after],
      ),
    ))
      yield page.map((b) => [b.name, b.group_name, (JSON.parse(b.allergies) as string[]).join(', ')]);
  },
};
