import { Checkbox } from 'react-aria-components/Checkbox';
import { CheckboxGroup } from 'react-aria-components/CheckboxGroup';
import { Label } from 'react-aria-components/Label';
import { Radio, RadioGroup } from 'react-aria-components/RadioGroup';
import { css, styled } from 'styled-components';

const group = css<{ $inline?: boolean }>`
  display: grid;
  gap: 5px;
  ${(p) => p.$inline && 'grid-template-columns: 116px minmax(0, 1fr); align-items: center; gap: 8px;'}
  @media (max-width: 560px) {
    grid-template-columns: minmax(0, 1fr);
  }
  > small {
    font-size: 12.5px;
    line-height: 1.3;
    color: var(--slate);
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
const Group = styled(RadioGroup)<{ $inline?: boolean; $columns: number | undefined }>`
  ${group}
  > div {
    ${(p) => p.$columns && `display: grid; grid-template-columns: repeat(${p.$columns}, minmax(0, 1fr));`}
  }
`;
const TickGroup = styled(CheckboxGroup)<{ $inline?: boolean }>`
  ${group}
`;
const chip = css`
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

const Chip = styled(Radio)`
  ${chip}
`;
const Tick = styled(Checkbox)`
  ${chip}
`;

export interface Option {
  readonly value: string;
  readonly label: string;
  /** The reason for it, where practitioners differ; shown of the one that is chosen. */
  readonly why?: string;
}

/** One of a few, all in sight. */
export function Choice({
  label,
  options,
  value,
  onChange,
  inline = false,
  columns,
  isDisabled = false,
}: {
  label: string;
  options: readonly Option[];
  value: string;
  onChange(value: string): void;
  /** The label beside the options, where many questions stand below each other. */
  inline?: boolean;
  /** So many beside each other, where they stand in several lines. */
  columns?: number;
  isDisabled?: boolean;
}) {
  const why = options.find((o) => o.value === value)?.why;
  return (
    <Group
      isDisabled={isDisabled}
      value={value}
      onChange={onChange}
      orientation="horizontal"
      $inline={inline}
      $columns={columns}
    >
      <Label className="named">{label}</Label>
      <div>
        {options.map((o) => (
          <Chip key={o.value} value={o.value}>
            {o.label}
          </Chip>
        ))}
      </div>
      {why && <small>{why}</small>}
    </Group>
  );
}

/** Any of a few, all in sight. */
export function ChoiceOfMany({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: readonly Option[];
  value: readonly string[];
  onChange(value: string[]): void;
}) {
  return (
    <TickGroup value={[...value]} onChange={onChange}>
      <Label className="named">{label}</Label>
      <div>
        {options.map((o) => (
          <Tick key={o.value} value={o.value}>
            {o.label}
          </Tick>
        ))}
      </div>
    </TickGroup>
  );
}
