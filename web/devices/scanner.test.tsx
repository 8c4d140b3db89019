import { act, render, screen } from '@testing-library/react';
import { simulateScan, TAKES_LABELS, useScanner } from './scanner.ts';

const scanned: string[] = [];
function Desk() {
  useScanner((label) => scanned.push(label));
  return (
    <form onSubmit={() => scanned.push('the form was sent')}>
      <input aria-label="Anything" />
      <div {...TAKES_LABELS}>
        <input aria-label="Another kit" />
      </div>
    </form>
  );
}
const press = (on: Element, key: string, timeStamp: number): void => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
  Object.defineProperty(event, 'timeStamp', { value: timeStamp });
  on.dispatchEvent(event);
};
const type = (on: Element, text: string, gap: number): void => {
  [...text, 'Enter'].forEach((key, i) => press(on, key, 1000 + i * gap));
};

beforeEach(() => {
  scanned.length = 0;
  render(<Desk />);
});

it('takes a label wherever the cursor is, and leaves what a hand types', () => {
  act(() => simulateScan('FB-014a'));
  act(() => type(screen.getByRole('textbox', { name: 'Anything' }), 'fb-k002b', 8));
  expect(scanned).toEqual(['FB-014a', 'FB-K002b']);
  act(() => type(screen.getByRole('textbox', { name: 'Anything' }), 'FB-014a', 150));
  expect(scanned).toHaveLength(2);
});

it('leaves what is no label, and fields that take labels by themselves', () => {
  act(() => type(document.body, 'Amber Dory', 5));
  act(() => type(screen.getByRole('textbox', { name: 'Another kit' }), 'FB-014a', 5));
  expect(scanned).toEqual([]);
  // Keys before it, typed by hand, are no part of it.
  act(() => {
    press(document.body, 'x', 10);
    type(document.body, 'FB-014a', 5);
  });
  expect(scanned).toEqual(['FB-014a']);
});
