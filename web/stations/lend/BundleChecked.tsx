import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { styled } from 'styled-components';
import type { Bundle } from '../../../contract/bundles.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import { worst } from '../../../core/patterns/kernel.ts';
import type { KitReport } from '../../../core/safety/kitCheck.ts';
import { api, words } from '../../data/api.ts';
import { usePlace } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Quiet, Row } from '../../parts/Panel.tsx';
import { titleOf, Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Found = styled.ul`
  display: grid;
  gap: 8px;
  margin: 8px 0;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr);
    gap: 10px;
  }
`;

/** What a check comes to, in words. */
function said(report: KitReport): string {
  const count = (kind: string): number => report.findings.filter((f) => f.verdict === kind).length;
  const parts = [
    count('stop') > 0 ? text('stop', { what: count('stop') }) : '',
    count('care') > 0 ? text('takeCare', { what: count('care') }) : '',
  ].filter(Boolean);
  return parts.length === 0 ? text('nothingFound') : parts.join(', ');
}

export const useBundleCheck = (bundle: Bundle) =>
  useQuery({
    queryKey: ['bundles', bundle.id, 'check', bundle.version],
    queryFn: () => api<KitReport>('GET', `/bundles/${bundle.id}/check`),
    retry: false,
  });

/** The whole kit as one thing in one home: what was found, worst first, and its papers. */
export function BundleChecked({ bundle: bundle }: { bundle: Bundle }) {
  const { data: place } = usePlace();
  const [isOpen, setOpen] = useState(false);
  const check = useBundleCheck(bundle);
  if (check.error) return <Quiet>{text('notChecked', { error: words(check.error) })}</Quiet>;
  const report = check.data;
  if (!report) return <Quiet role="status">{text('checking')}</Quiet>;
  const unit: LengthUnit = place?.lengthUnit ?? 'mm';
  const told = report.findings.filter((f) => f.verdict !== 'clear');
  return (
    <div>
      <Row>
        <Verdict kind={worst(report.findings.map((f) => f.verdict))} word={said(report)} />
        <Quiet>{text('youngestMonths2', { market: report.market, youngest: report.youngest })}</Quiet>
        {told.length > 0 && (
          <Button small plain onPress={() => setOpen((x) => !x)} aria-expanded={isOpen}>
            {isOpen ? text('less') : text('whatWasFound')}
          </Button>
        )}
        <FileLink small href={`/api/bundles/${bundle.id}/check-sheet.pdf`}>
          {text('checkSheet')}
        </FileLink>
        <FileLink small href={`/api/bundles/${bundle.id}/family-check.pdf`}>
          {text('parent')}
        </FileLink>
      </Row>
      {isOpen && (
        <Found aria-label={text('whatWasFound2', { kit: bundle.name })}>
          {told.map((f) => (
            <li key={f.id}>
              <Verdict kind={f.verdict} />
              <span>
                <b>{titleOf(f)}</b> <Quiet>{f.designs.join(', ')}</Quiet>
                <br />
                {inUnit(`${f.words} ${f.remedy ?? ''}`, unit)}
              </span>
            </li>
          ))}
        </Found>
      )}
    </div>
  );
}
