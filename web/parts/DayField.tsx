import { parseDate } from '@internationalized/date';
import { DateField, DateInput, DateSegment } from 'react-aria-components/DateField';
import { FieldError } from 'react-aria-components/FieldError';
import { I18nProvider } from 'react-aria-components/I18nProvider';
import { Label } from 'react-aria-components/Label';
import { styled } from 'styled-components';
import type { Day } from '../../core/calendar/days.ts';
import { placeStyle } from '../data/style.ts';

const Styled = styled(DateField)`
  display: grid;
  gap: 4px;
  min-width: 0;
  align-content: start;
  .named {
    font-size: 14px;
    font-weight: 600;
  }
  .box {
    display: flex;
    align-items: center;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--seam-strong);
    border-radius: 9px;
    background: var(--paper);
    white-space: nowrap;
  }
  .box:focus-within {
    outline: 3px solid var(--ink);
    outline-offset: 1px;
  }
  .part {
    padding: 4px 1px;
    border-radius: 4px;
    outline: none;
    caret-color: transparent;
  }
  .part[data-focused] {
    background: var(--ink);
    color: var(--paper);
  }
  .part[data-placeholder]:not([data-focused]) {
    color: var(--slate);
  }
  .wrong {
    color: var(--stop);
    font-size: 13px;
    font-weight: 600;
  }
`;

/** The one field for a day, written in the place's language and order; `onChange` gets a whole day or nothing. */
export function DayField({
  label,
  value,
  onChange,
  error,
}: {
  label: string;
  value: Day;
  onChange(day: Day): void;
  error?: string | null;
}) {
  return (
    <I18nProvider locale={placeStyle().locale}>
      <Styled
        value={parseDate(value)}
        onChange={(d) => d && onChange(d.toString().slice(0, 10))}
        isInvalid={!!error}
        validationBehavior="aria"
      >
        <Label className="named">{label}</Label>
        <DateInput className="box">{(part) => <DateSegment segment={part} className="part" />}</DateInput>
        <FieldError className="wrong">{error}</FieldError>
      </Styled>
    </I18nProvider>
  );
}
