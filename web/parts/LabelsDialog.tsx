import { useState } from 'react';
import { Button } from './Button.tsx';
import { FileLink } from './FileLink.tsx';
import { Dialog } from './Dialog.tsx';
import { Stepper } from './Field.tsx';
import { CountField } from './TypedField.tsx';
import { Quiet, Row, Spread, Stack } from './Panel.tsx';
import { text } from './text.ts';

interface Kept {
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
}
const KEY = 'fox-labels';
const USUAL: Kept = { columns: 3, rows: 8, left: 0, top: 4 };
/** The sheet that was printed on last here. */
function kept(): Kept {
  try {
    return { ...USUAL, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Kept>) };
  } catch {
    return USUAL;
  }
}

/** Labels on the printer’s own sheets: rows, columns, margins, and the first label that is still there. */
export function LabelsDialog({ href, label = text('labels') }: { href: string; label?: string }) {
  const [isOpen, setOpen] = useState(false);
  const [sheet, setSheet] = useState(kept);
  const [start, setStart] = useState(1);
  const set = (part: Partial<Kept>): void => {
    const next = { ...sheet, ...part };
    setSheet(next);
    localStorage.setItem(KEY, JSON.stringify(next));
  };
  const query = new URLSearchParams(
    Object.entries({ ...sheet, start }).map(([k, v]) => [k, String(v)]),
  ).toString();
  return (
    <>
      <Button small plain onPress={() => setOpen(true)}>
        {label}
      </Button>
      <Dialog title={text('labels')} isOpen={isOpen} onClose={() => setOpen(false)}>
        <Stack>
          <Quiet>{text('asSheetLabelsLies')}</Quiet>
          <Spread>
            <span>{text('columns')}</span>
            <Stepper
              label={text('columns')}
              value={sheet.columns}
              min={1}
              max={8}
              onChange={(columns) => set({ columns })}
            />
          </Spread>
          <Spread>
            <span>{text('rows')}</span>
            <Stepper
              label={text('rows')}
              value={sheet.rows}
              min={1}
              max={20}
              onChange={(rows) => set({ rows })}
            />
          </Spread>
          <CountField
            label={text('leftMarginMm')}
            value={sheet.left}
            onChange={(n) => set({ left: Math.min(60, n ?? 0) })}
          />
          <CountField
            label={text('topMarginMm')}
            value={sheet.top}
            onChange={(n) => set({ top: Math.min(60, n ?? 0) })}
          />
          <Spread>
            <span>{text('startLabel')}</span>
            <Stepper
              label={text('startLabel')}
              value={start}
              min={1}
              max={sheet.columns * sheet.rows}
              onChange={setStart}
            />
          </Spread>
          <Row>
            <FileLink href={`${href}${href.includes('?') ? '&' : '?'}${query}`}>{text('printThem')}</FileLink>
            <Button plain onPress={() => setOpen(false)}>
              {text('close')}
            </Button>
          </Row>
        </Stack>
      </Dialog>
    </>
  );
}
