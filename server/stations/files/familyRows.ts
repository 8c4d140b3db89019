import { borrowerInput, type BorrowerInput } from '../../../contract/lending.ts';
import { COLUMNS } from '../../../contract/files.ts';
import { ALLERGIES, type Allergy } from '../../../core/lend/allergies.ts';
import { SKILLS } from '../../../core/patterns/kernel.ts';
import { rows } from '../../db/rows.ts';
import { paged, type Kind } from './kind.ts';

/** What a file has no column for is undefined: it stays as it is known. */
export type FamilyValue = BorrowerInput;

export const familyRows: Kind<FamilyValue> = {
  columns: COLUMNS.families.all,
  required: COLUMNS.families.required,
  read(cells) {
    const allergies = cells.list('allergies').map((w) => w.toLowerCase());
    for (const a of allergies)
      if (!(ALLERGIES as readonly string[]).includes(a))
        cells.fault('allergies', `“${a}” is not known; expected some of ${ALLERGIES.join(', ')}`);
    const wanted = cells.words('aim').toLowerCase();
    const aim = SKILLS.find((skill) => skill.toLowerCase() === wanted) ?? null;
    if (wanted !== '' && aim === null) cells.fault('aim', `expected one of ${SKILLS.join(', ')}`);
    const value: FamilyValue = {
      name: cells.words('name'),
      group: cells.words('group'),
      ...(cells.has('allergies') ? { allergies: allergies as Allergy[] } : {}),
      ...(cells.has('mail') ? { mail: cells.words('mail') || null } : {}),
      ...(cells.has('youngest') ? { youngest: cells.whole('youngest') ?? null } : {}),
      ...(cells.has('aim') ? { aim } : {}),
      ...(cells.has('children') ? { children: cells.list('children') } : {}),
    };
    return cells.faults > 0 ? null : cells.check(borrowerInput, value, (p) => p.split('.')[0]!);
  },
  key: (f) => f.name.toLowerCase(),
  exists: (f, known) => known.families.has(f.name.toLowerCase()),
  async *pages(em) {
    for await (const page of paged((after) =>
      rows<{
        id: number;
        name: string;
        group_name: string;
        allergies: string;
        mail: string | null;
        youngest: number | null;
        aim: string | null;
        children: string;
      }>(
        em,
        'select id, name, group_name, allergies, mail, youngest, aim, children from borrower where erased_on is null and id > ? order by id limit 1000',
        [after],
      ),
    ))
      yield page.map((b) => [
        b.name,
        b.group_name,
        (JSON.parse(b.allergies) as string[]).join(', '),
        b.mail,
        b.youngest,
        b.aim,
        (JSON.parse(b.children) as string[]).join(', '),
      ]);
  },
};
