import { oneLine } from '../../../core/measure/text.ts';
import { borrowerInput, type BorrowerInput } from '../../../contract/lending.ts';
import { COLUMNS } from '../../../contract/files.ts';
import { monthsOld } from '../../../core/child/age.ts';
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
    const said = cells.words('mouths').toLowerCase();
    const mouths = ['yes', 'true', '1'].includes(said);
    if (!mouths && !['', 'no', 'false', '0'].includes(said)) cells.fault('mouths', 'expected yes or no');
    const value: FamilyValue = {
      name: oneLine(cells.words('name')),
      group: cells.words('group'),
      ...(cells.has('allergies') ? { allergies: allergies as Allergy[] } : {}),
      ...(cells.has('mail') ? { mail: cells.words('mail') || null } : {}),
      ...(cells.has('youngest') ? { youngest: cells.whole('youngest') ?? null } : {}),
      ...(cells.has('aim') ? { aim } : {}),
      ...(cells.has('children') ? { children: cells.list('children') } : {}),
      ...(cells.has('born') ? { born: cells.words('born') || null } : {}),
      ...(cells.has('mouths') ? { mouths } : {}),
      ...(cells.has('language')
        ? { language: (cells.words('language').toLowerCase() || null) as FamilyValue['language'] }
        : {}),
    };
    return cells.faults > 0 ? null : cells.check(borrowerInput, value, (p) => p.split('.')[0]!);
  },
  key: (f) => f.name.toLowerCase(),
  exists: (f, known) => known.families.has(f.name.toLowerCase()),
  async *pages(em, today) {
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
        youngest_on: string | null;
        born: string | null;
        mouths: number;
        language: string | null;
      }>(
        em,
        'select id, name, group_name, allergies, mail, youngest, aim, children, youngest_on, born, mouths, language from borrower where erased_on is null and id > ? order by id limit 100',
        [after],
      ),
    ))
      yield page.map((b) => [
        b.name,
        b.group_name,
        (JSON.parse(b.allergies) as string[]).join(', '),
        b.mail,
        b.born === null ? monthsOld({ age: b.youngest, ageOn: b.youngest_on }, today) : null,
        b.aim,
        (JSON.parse(b.children) as string[]).join(', '),
        b.born,
        b.mouths !== 0 ? 'yes' : 'no',
        b.language,
      ]);
  },
};
