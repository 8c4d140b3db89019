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
  const loan = await em.findOne(LoanRow, { id }, { populate: ['kit', 'borrower'] });
  if (!loan) throw notFound(`loan ${id}`);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const [kit] = await rows<{ name: string }>(
    em,
    'select coalesce(bundle.name, d.name) as name from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where k.id = ?',
    [loan.kit.id],
  );
  const [own] = slipLanguages(loan.borrower.language ? [loan.borrower.language] : place.languages);
  return make(
    'loanSlip',
    {
      family: loan.borrower.name,
      kit: kit!.name,
      label: loan.kit.label,
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
