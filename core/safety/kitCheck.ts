import type { Feature } from '../patterns/feature.ts';
import { checkFeatures, worstFirst, type CheckOptions, type Finding, type SafetyReport } from './check.ts';

/** A design as far as a kit's check needs it. */
export interface CheckedDesign {
  readonly name: string;
  readonly features: readonly Feature[];
  readonly options: CheckOptions;
}

/** A finding of a kit, and the designs it is of. */
interface KitFinding extends Finding {
  readonly designs: readonly string[];
}
export interface KitReport extends Omit<SafetyReport, 'findings'> {
  readonly findings: readonly KitFinding[];
}

/**
 * A kit of one or several designs as one thing in one home: the youngest of all who will use it decides for everything in
 * it, brothers and sisters at home included, and so does anybody who still mouths. What is said of several designs alike is
 * said once.
 *
 * @param designs at least one
 * @param youngest age of somebody at home who is younger than any design is for, months; null where nobody is
 * @param container what it is packed into, as facts
 */
export function checkKit(
  designs: readonly CheckedDesign[],
  youngest: number | null,
  container: readonly Feature[] = [],
): KitReport {
  const age = Math.min(youngest ?? Infinity, ...designs.map((d) => d.options.youngest));
  const mouths = designs.some((d) => d.options.mouths ?? false);
  const reports = [
    ...designs.map((d) => ({
      name: d.name,
      report: checkFeatures(d.features, { ...d.options, youngest: age, mouths }),
    })),
    ...(container.length > 0
      ? [
          {
            name: 'What it is packed into',
            report: checkFeatures(container, { ...designs[0]!.options, youngest: age, mouths, tests: [] }),
          },
        ]
      : []),
  ];
  const findings = new Map<string, KitFinding>();
  for (const { name, report } of reports)
    for (const f of report.findings) {
      const key = `${f.rule} ${f.verdict} ${f.title} ${f.words}`;
      const there = findings.get(key);
      findings.set(key, {
        ...f,
        id: `${f.rule}-${findings.size}`,
        ...there,
        designs: [...(there?.designs ?? []), name],
      });
    }
  const gauged = new Map(
    reports.flatMap(({ report }) =>
      report.gauged.map((g) => [JSON.stringify([g.name, g.shape]), g] as const),
    ),
  );
  const lists = (of: (r: SafetyReport) => readonly string[]): string[] => [
    ...new Set(reports.flatMap(({ report }) => of(report))),
  ];
  const { market, youngest: deciding } = reports[0]!.report;
  return {
    market,
    youngest: deciding,
    findings: [...findings.values()].sort(worstFirst),
    gauged: [...gauged.values()],
    handGauges: reports.flatMap(({ report }) => report.handGauges),
    answered: lists((r) => r.answered),
    changed: lists((r) => r.changed),
    unchecked: lists((r) => r.unchecked),
    account: reports.flatMap(({ report }) => report.account),
    isAccounted: reports.every(({ report }) => report.isAccounted),
  };
}
