import type { EntityManager } from '@mikro-orm/core';
import type { Paper } from '../../../core/print/paper.ts';
import { slipLanguages, type SlipLanguage } from '../../../core/lend/term/slipWords.ts';
import { LoanRow, PlaceRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import type { MakePaper } from '../../compute/paper.ts';
import { notFound } from '../../problem.ts';

/** The slip that lies in the bag of a loan; one that the check had stopped says so, with who decided it and why. */
export async function loanSlip(
  em: EntityManager,
  id: number,
  language: SlipLanguage | undefined,
  make: MakePaper,
): Promise<Uint8Array> {
  const loan = await em.findOne(LoanRow, { id }, { populate: ['copy', 'borrower'] });
  if (!loan) throw notFound(`loan ${id}`);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const [kit] = await rows<{ name: string }>(
    em,
    'select coalesce(k.name, d.name) as name from copy c join design d on d.id = c.design_id left join kit k on k.id = c.kit_id where c.id = ?',
    [loan.copy.id],
  );
  const [own] = slipLanguages(loan.borrower.language ? [loan.borrower.language] : place.languages);
  return make(
    'loanSlip',
    {
      family: loan.borrower.name,
      kit: kit!.name,
      label: loan.copy.label,
      day: loan.lentOn,
      due: loan.dueOn,
      override:
        loan.overrideWhy == null
          ? null
          : { by: loan.overrideBy ?? '', why: loan.overrideWhy, of: loan.overrideOf ?? '' },
    },
    { name: place.name, locale: place.locale, paper: place.paper as Paper },
    language ?? own!,
  );
}
