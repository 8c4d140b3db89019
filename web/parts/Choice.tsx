import { Label } from 'react-aria-components/Label';
import { Radio, RadioGroup } from 'react-aria-components/RadioGroup';
import { Button } from 'react-aria-components/Button';
import { ListBox, ListBoxItem } from 'react-aria-components/ListBox';
import { Popover } from 'react-aria-components/Popover';
import { Select as AriaSelect, SelectValue } from 'react-aria-components/Select';
import { styled } from 'styled-components';
import { Wrong } from './Field.tsx';

const Group = styled(RadioGroup)<{ $inline?: boolean }>`
  display: grid;
  gap: 5px;
  ${(p) => p.$inline && 'grid-template-columns: 116px minmax(0, 1fr); align-items: center; gap: 8px;'}
  @media (max-width: 560px) {
    grid-template-columns: minmax(0, 1fr);
  }
  .named {
    font-size: 14px;
    font-weight: 600;
  }
  > div {
    display: flex;
    gap: 6px;
    flex-wrap: wrap;
  }
`;
const Chip = styled(Radio)`
  flex: 1 1 auto;
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--seam-strong);
  border-radius: 8px;
  background: var(--oat);
  font-size: 14px;
  cursor: pointer;
  text-align: center;
  &[data-selected] {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
    font-weight: 600;
  }
  &[data-hovered]:not([data-selected]) {
    background: var(--linen);
  }
  &[data-disabled] {
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--fox);
    outline-offset: 2px;
  }
`;

export interface Option {
  readonly value: string;
  readonly label: string;
}

/** One of a few, all in sight. */
export function Choice({
  label,
  options,
  value,
  onChange,
  inline = false,
  isDisabled = false,
}: {
  label: string;
  options: readonly Option[];
  value: string;
  onChange(value: string): void;
  /** The label beside the options, where many questions stand below each other. */
  inline?: boolean;
  isDisabled?: boolean;
}) {
  return (
    <Group
      isDisabled={isDisabled}
      value={value}
      onChange={onChange}
      orientation="horizontal"
      $inline={inline}
    >
      <Label className="named">{label}</Label>
      <div>
        {options.map((o) => (
          <Chip key={o.value} value={o.value}>
            {o.label}
          </Chip>
        ))}
      </div>
    </Group>
  );
}

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
  button > span:first-child {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
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
  placeholder = 'Choose',
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
