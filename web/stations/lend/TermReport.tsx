import type { Place } from '../../../contract/place.ts';
import { Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { PrintTime } from './PrintTime.tsx';
import { text } from './text.ts';

/** A term on paper: loans, losses and their cost, what was learned. */
export const TermReport = ({ place }: { place: Place }) => (
  <Panel as="section" aria-label={text('reportTerm')}>
    <Stack $gap={8}>
      <h2>{text('reportTerm')}</h2>
      <Quiet>{text('loansEachKitWhat')}</Quiet>
      <PrintTime today={place.today} path="/api/term.pdf">
        {text('printReport')}
      </PrintTime>
    </Stack>
  </Panel>
);
