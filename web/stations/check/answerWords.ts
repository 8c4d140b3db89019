import type { SafetyReport } from '../../../core/safety/check.ts';
import { titleOf } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

/** What the check says in one or two plain sentences: what stops it, or what a throat could take, then how much care is left. */
export function answerWords(report: SafetyReport): string {
  const stops = [...new Set(report.findings.filter((f) => f.verdict === 'stop').map((f) => titleOf(f)))];
  const care = report.findings.filter((f) => f.verdict === 'care').length;
  const left = care > 0 ? ` ${text('careLeft', { care })}` : '';
  if (stops.length > 0)
    return `${text('answerStops', { youngest: report.youngest, stops: stops.slice(0, 3).join(', ').toLowerCase(), more: Math.max(0, stops.length - 3) })}${left}`;
  if (!report.isAccounted) return `${text('answerNotAll')}${left}`;
  const small = report.gauged.filter((g) => g.answer.verdict === 'stop').map((g) => g.name);
  const throat =
    report.gauged.length === 0
      ? text('answerNoPiece')
      : small.length === 0
        ? text('answerNoneSmall')
        : text('answerSmall', { small: small.join(', ').toLowerCase(), many: small.length });
  return `${throat}${left}`;
}
