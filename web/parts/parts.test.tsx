import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Dial } from './Dial.tsx';
import { Stepper } from './Field.tsx';
import { CountField, ForceField, LengthField, MoneyField } from './TypedField.tsx';
import { Verdict } from '../shell/Verdict.tsx';

function Held<T>({
  start,
  children,
}: {
  start: T;
  children: (value: T, set: (v: T) => void) => React.ReactNode;
}) {
  const [value, set] = useState(start);
  return (
    <>
      {children(value, set)}
      <output data-testid="value">{JSON.stringify(value)}</output>
    </>
  );
}
const value = (): unknown => JSON.parse(screen.getByTestId('value').textContent);

describe('the length field', () => {
  it.each([
    ['1 1/2"', 38.1],
    ['3.8 cm', 38],
    ['38', 38],
  ])('understands %s', async (text, mm) => {
    render(
      <Held<number | null> start={null}>
        {(v, set) => <LengthField label="Across" mm={v} unit="mm" onChange={set} />}
      </Held>,
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Across' }), text);
    expect(value()).toBe(mm);
  });
  it('shows inches where the place writes inches', () => {
    render(<LengthField label="Across" mm={38.1} unit="in" onChange={() => {}} />);
    expect(screen.getByRole('textbox', { name: 'Across' })).toHaveValue('1 1/2');
  });
  it('says what it cannot read, and leaves the value alone', async () => {
    render(
      <Held<number | null> start={12}>
        {(v, set) => <LengthField label="Across" mm={v} unit="mm" onChange={set} />}
      </Held>,
    );
    const box = screen.getByRole('textbox', { name: 'Across' });
    await userEvent.type(box, 'x');
    expect(box).toBeInvalid();
    expect(screen.getByText(/“12x” is not a length/)).toBeVisible();
    expect(value()).toBe(12);
  });
});

describe('the force field', () => {
  it.each([
    ['24', 24],
    ['2.4 kg', 23.53596],
    ['5 lb', 22.241108],
  ])('understands %s', async (text, newton) => {
    render(
      <Held<number | null> start={null}>
        {(v, set) => <ForceField label="Pinch" newton={v} onChange={set} />}
      </Held>,
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Pinch' }), text);
    expect(value()).toBeCloseTo(newton, 5);
  });
  it('keeps what was typed while it means the same, and shows N when it comes from elsewhere', () => {
    const { rerender } = render(<ForceField label="Pinch" newton={24} onChange={() => {}} />);
    expect(screen.getByRole('textbox', { name: 'Pinch' })).toHaveValue('24');
    rerender(<ForceField label="Pinch" newton={23.53596} onChange={() => {}} />);
    expect(screen.getByRole('textbox', { name: 'Pinch' })).toHaveValue('23.5');
  });
  it('says what it cannot read, and leaves the value alone', async () => {
    render(
      <Held<number | null> start={12}>
        {(v, set) => <ForceField label="Pinch" newton={v} onChange={set} />}
      </Held>,
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Pinch' }), ' stone');
    expect(screen.getByText(/“12 stone” is not a force/)).toBeVisible();
    expect(value()).toBe(12);
  });
});

describe('counts and prices', () => {
  it('takes whole numbers only', async () => {
    render(
      <Held<number | null> start={null}>
        {(v, set) => <CountField label="Kept" value={v} onChange={set} />}
      </Held>,
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Kept' }), '1.5');
    expect(screen.getByText(/whole number/)).toBeVisible();
  });
  it('keeps prices in minor units', async () => {
    render(
      <Held<number | null> start={null}>
        {(v, set) => <MoneyField label="Price" minor={v} onChange={set} />}
      </Held>,
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Price' }), '2,40');
    expect(value()).toBe(240);
  });
  it('counts with one finger, within its range', async () => {
    render(<Held start={1}>{(v, set) => <Stepper label="Cap" value={v} max={2} onChange={set} />}</Held>);
    await userEvent.click(screen.getByRole('button', { name: 'Cap: one more' }));
    expect(value()).toBe(2);
    expect(screen.getByRole('button', { name: 'Cap: one more' })).toBeDisabled();
  });
});

describe('a dial', () => {
  const spec = {
    kind: 'number',
    unit: 'mm',
    id: 'width',
    label: 'Slot width',
    min: 3,
    max: 75,
    step: 0.5,
  } as const;
  it('moves with the arrow keys and by typing, in either unit', async () => {
    render(<Held start={17}>{(v, set) => <Dial spec={spec} value={v} unit="mm" onChange={set} />}</Held>);
    act(() => screen.getByRole('slider', { name: 'Slot width' }).focus());
    await userEvent.keyboard('{ArrowRight}{ArrowRight}');
    expect(value()).toBe(18);
    const typed = screen.getByRole('textbox', { name: 'Slot width, typed' });
    await userEvent.clear(typed);
    await userEvent.type(typed, '3/4"{Enter}');
    expect(value()).toBe(19.05);
  });
  it('says its range instead of jumping', async () => {
    render(<Held start={17}>{(v, set) => <Dial spec={spec} value={v} unit="mm" onChange={set} />}</Held>);
    const typed = screen.getByRole('textbox', { name: 'Slot width, typed' });
    await userEvent.clear(typed);
    await userEvent.type(typed, '200{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('200 mm is outside 3 mm to 75 mm');
    expect(typed).toBeInvalid();
    expect(value()).toBe(17);
  });
});

describe('a verdict', () => {
  it.each(['clear', 'care', 'stop'] as const)(
    '%s is shown by its threads and its word, not by colour alone',
    (kind) => {
      const { container } = render(<Verdict kind={kind} />);
      expect(container).toHaveTextContent(new RegExp(kind, 'i'));
      const threads = container.querySelector('g path')!.getAttribute('d');
      expect({ clear: 'M7.6 8h8.8M7.6 16h8.8', care: 'M8 16L16 8', stop: 'M8 8l8 8M16 8l-8 8' }[kind]).toBe(
        threads,
      );
    },
  );
});
