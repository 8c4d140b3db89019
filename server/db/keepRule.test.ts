import { addDays } from '../../core/calendar/days.ts';
import { daysToDrop } from './keepRule.ts';

const TODAY = '2026-11-27';

it('keeps a week of days, five weeks and a year of months, and drops the rest a day at a time', () => {
  // As it goes: every day a copy is made, and what the rule does not keep is dropped at once.
  let kept: string[] = [];
  for (let n = 800; n >= 0; n--) {
    const today = addDays(TODAY, -n);
    kept.push(today);
    const drop = new Set(daysToDrop(kept, today));
    kept = kept.filter((d) => !drop.has(d));
  }
  const recent = kept.filter((d) => d > addDays(TODAY, -7));
  expect(recent).toHaveLength(7);
  const weeks = kept.filter((d) => d <= addDays(TODAY, -7) && d > addDays(TODAY, -42));
  expect(weeks.length).toBeGreaterThanOrEqual(5);
  const months = new Set(kept.filter((d) => d <= addDays(TODAY, -42)).map((d) => d.slice(0, 7)));
  expect(months.size).toBeGreaterThanOrEqual(10);
  expect(kept.length).toBeLessThanOrEqual(7 + 6 + 13);
});

it('drops what is older than a year, keeps yesterday', () => {
  expect(daysToDrop(['2020-01-01'], TODAY)).toEqual(['2020-01-01']);
  expect(daysToDrop([TODAY, addDays(TODAY, -1)], TODAY)).toEqual([]);
});
