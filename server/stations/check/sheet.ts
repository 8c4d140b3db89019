import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { packageAccount } from '../../../core/patterns/account.ts';
import { checkKit, type CheckedDesign, type KitReport } from '../../../core/safety/kitCheck.ts';
import { BundleRow, PlaceRow, type Design } from '../../db/entities.ts';
import type { CheckSheet } from '../../formats/checkSheet.ts';
import { notFound } from '../../problem.ts';
import { featuresOf } from '../shape/ladders.ts';
import { atOf, chosenFor, findDesign, materialsOf } from '../shape/service.ts';
import { checkedBy, readTests } from './service.ts';

/** Designs that are one kit, ready to be checked for somebody of any age. */
async function bundleToCheck(
  em: EntityManager,
  designs: readonly Design[],
  o: { readonly container: number | null; readonly today: Day },
): Promise<(youngest: number | null) => KitReport> {
  const checked: CheckedDesign[] = [];
  for (const d of designs) {
    const { chosen } = await chosenFor(em, d.materials, o.today);
    checked.push({
      name: d.name,
      features: await featuresOf(em, d, o.today),
      options: await checkedBy(em, d, chosen, o.today),
    });
  }
  const packed = o.container === null ? [] : [...(await materialsOf(em, [o.container], o.today)).values()];
  return (youngest) => checkKit(checked, youngest, packageAccount(packed));
}

/** The check of designs that are one kit. */
const reportOf = async (
  em: EntityManager,
  designs: readonly Design[],
  o: { readonly youngest: number | null; readonly container: number | null; readonly today: Day },
): Promise<KitReport> => (await bundleToCheck(em, designs, o))(o.youngest);

interface Subject {
  readonly name: string;
  readonly designs: readonly Design[];
  readonly youngest: number | null;
  readonly container: number | null;
}

async function subjectOf(em: EntityManager, kind: 'design' | 'bundle', id: number): Promise<Subject> {
  if (kind === 'design') {
    const d = await findDesign(em, id);
    return { name: d.name, designs: [d], youngest: null, container: null };
  }
  const bundle = await em.findOne(BundleRow, { id });
  if (!bundle) throw notFound(`kit ${id}`);
  const designs: Design[] = [];
  for (const d of bundle.designs) designs.push(await findDesign(em, d));
  return {
    name: bundle.name,
    designs,
    youngest: bundle.youngest ?? null,
    container: bundle.container ?? null,
  };
}

/** A design or a kit checked as one thing. */
export async function bundleReport(
  em: EntityManager,
  kind: 'design' | 'bundle',
  id: number,
  today: Day,
): Promise<KitReport> {
  const s = await subjectOf(em, kind, id);
  return reportOf(em, s.designs, { ...s, today });
}

/** What is printed of the check of a design or a kit. */
export async function sheetOf(
  em: EntityManager,
  kind: 'design' | 'bundle',
  id: number,
  today: Day,
): Promise<CheckSheet & { readonly paper: 'A4' | 'Letter' }> {
  const s = await subjectOf(em, kind, id);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const [first] = s.designs;
  const pattern = await loadPattern(first!.pattern);
  const { chosen } = await chosenFor(em, first!.materials, today);
  const tests = (await Promise.all(s.designs.map((d) => readTests(em, today, d.id)))).flat();
  return {
    name: s.name,
    place: place.name,
    phone: place.phone,
    today,
    locale: place.locale,
    unit: place.lengthUnit as LengthUnit,
    paper: place.paper as 'A4' | 'Letter',
    report: await reportOf(em, s.designs, { ...s, today }),
    tests,
    picture: pattern.draw(atOf(first!, chosen)).scene,
  };
}
