/** Whom a design is for: a group's name and ages, months. */
interface MadeFor {
  readonly forGroup: string;
  readonly ageFrom: number;
  readonly ageTo: number;
}
export interface GroupAges {
  readonly group: string;
  readonly ageFrom: number;
  readonly ageTo: number;
}

/** The ages of what is made for a group, from the youngest to the oldest, months; null where nothing is. */
export function agesOfAll(designs: readonly Omit<MadeFor, 'forGroup'>[]): Omit<GroupAges, 'group'> | null {
  return designs.length === 0
    ? null
    : {
        ageFrom: Math.min(...designs.map((d) => d.ageFrom)),
        ageTo: Math.max(...designs.map((d) => d.ageTo)),
      };
}

/**
 * The ages of a group: what most of its designs are made for, of equals the youngest; one design for older children does
 * not make the group older. Months; null where nothing is made for it.
 */
export function agesOfGroup(designs: readonly MadeFor[], group: string): Omit<GroupAges, 'group'> | null {
  const counted = new Map<string, { ages: Omit<GroupAges, 'group'>; times: number }>();
  for (const { forGroup, ageFrom, ageTo } of designs) {
    if (forGroup !== group) continue;
    const key = `${ageFrom} ${ageTo}`;
    counted.set(key, { ages: { ageFrom, ageTo }, times: (counted.get(key)?.times ?? 0) + 1 });
  }
  const [most] = [...counted.values()].sort(
    (a, b) => b.times - a.times || a.ages.ageFrom - b.ages.ageFrom || a.ages.ageTo - b.ages.ageTo,
  );
  return most?.ages ?? null;
}

/** The groups that designs are made for, each with one set of ages wherever it is shown; the youngest first. */
export function groupsOf(designs: readonly MadeFor[]): GroupAges[] {
  return [...new Set(designs.map((d) => d.forGroup))]
    .map((group) => ({ group, ...agesOfGroup(designs, group)! }))
    .sort((a, b) => a.ageFrom - b.ageFrom || (a.group < b.group ? -1 : 1));
}
