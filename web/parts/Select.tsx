import { Button } from 'react-aria-components/Button';
import { Label } from 'react-aria-components/Label';
import { ListBox, ListBoxItem } from 'react-aria-components/ListBox';
import { Popover } from 'react-aria-components/Popover';
import { Select as AriaSelect, SelectValue } from 'react-aria-components/Select';
import { styled } from 'styled-components';
import type { Option } from './Choice.tsx';
import { Wrong } from './Field.tsx';
import { text } from './text.ts';

const Field = styled(AriaSelect)`
  display: grid;
  gap: 4px;
  min-width: 0;
  .named {
    font-size: 14px;
    font-weight: 600;
  }
  button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
    min-height: 44px;
    padding: 0 12px;
    border: 1.5px solid var(--seam-strong);
    border-radius: 9px;
    background: var(--paper);
    cursor: pointer;
    text-align: left;
    width: 100%;
    min-width: 0;
  }
  /* The end that tells two names apart is seen: a long one takes a second line. */
  button > span:first-child {
    overflow: hidden;
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 3;
    line-height: 1.2;
    padding-block: 5px;
    overflow-wrap: anywhere;
  }
`;
const Sheet = styled(Popover)`
  background: var(--paper);
  border: 1px solid var(--seam-strong);
  border-radius: 10px;
  box-shadow: 0 8px 28px rgba(30, 42, 44, 0.22);
  overflow: auto;
  min-width: var(--trigger-width);
  max-height: 340px;
  max-width: min(92vw, 520px);
  padding: 5px;
  .item {
    min-height: 40px;
    display: grid;
    align-content: center;
    padding: 4px 10px;
    border-radius: 7px;
    cursor: pointer;
    outline: none;
  }
  .item[data-focused] {
    background: var(--fox-tint);
  }
  .item[data-selected] {
    font-weight: 700;
  }
  .item[data-disabled] {
    opacity: 0.5;
  }
  .item small {
    color: var(--slate);
    font-size: 12.5px;
    font-weight: 400;
  }
`;

/** One of many, from a list that opens. */
export function Select({
  label,
  options,
  value,
  onChange,
  placeholder = text('choose'),
  error,
  isDisabled = false,
}: {
  label: string;
  options: readonly (Option & { readonly note?: string })[];
  value: string | null;
  onChange(value: string): void;
  placeholder?: string;
  error?: string | null;
  isDisabled?: boolean;
}) {
  return (
    <Field
      value={value}
      onChange={(key) => key !== null && onChange(String(key))}
      placeholder={placeholder}
      isInvalid={!!error}
      isDisabled={isDisabled}
      validationBehavior="aria"
    >
      <Label className="named">{label}</Label>
      <Button>
        <SelectValue>{({ selectedText, defaultChildren }) => selectedText || defaultChildren}</SelectValue>
        <span aria-hidden>▾</span>
      </Button>
      <Wrong>{error}</Wrong>
      <Sheet>
        <ListBox>
          {options.map((o) => (
            <ListBoxItem key={o.value} id={o.value} textValue={o.label} className="item">
              {o.label}
              {o.note && <small>{o.note}</small>}
            </ListBoxItem>
          ))}
        </ListBox>
      </Sheet>
    </Field>
  );
}
