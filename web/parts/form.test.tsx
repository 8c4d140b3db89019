import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Button } from './Button.tsx';
import { CountField, LengthField } from './TypedField.tsx';
import { Form } from './Form.tsx';

function Asked({ onSend }: { onSend(sent: [number | null, number | null]): void }) {
  const [count, setCount] = useState<number | null>(3);
  const [across, setAcross] = useState<number | null>(38);
  return (
    <Form onSubmit={() => onSend([count, across])}>
      <CountField label="How many" value={count} onChange={setCount} />
      <LengthField label="Across" mm={across} unit="mm" onChange={setAcross} />
      <Button type="submit">Send</Button>
    </Form>
  );
}
const field = (name: string): HTMLElement => screen.getByRole('textbox', { name });

describe('a form', () => {
  it('sends what is typed, by the button or by Enter', async () => {
    const sent: unknown[] = [];
    render(<Asked onSend={(s) => sent.push(s)} />);
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    await userEvent.clear(field('Across'));
    await userEvent.type(field('Across'), '1 1/2"{Enter}');
    expect(sent).toEqual([
      [3, 38],
      [3, 38.1],
    ]);
  });
  it('stops at what it cannot read, rather than send what stood there before', async () => {
    const sent: unknown[] = [];
    render(<Asked onSend={(s) => sent.push(s)} />);
    await userEvent.type(field('Across'), ' or so');
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    expect(sent).toEqual([]);
    expect(field('Across')).toHaveFocus();
    expect(screen.getByText(/“38 or so” is not a length/)).toBeVisible();
    await userEvent.clear(field('Across'));
    await userEvent.type(field('Across'), '40');
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    expect(sent).toEqual([[3, 40]]);
  });
  it('lets an emptied field through as nothing, which is for the form to judge', async () => {
    const sent: unknown[] = [];
    render(<Asked onSend={(s) => sent.push(s)} />);
    await userEvent.clear(field('How many'));
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    expect(sent).toEqual([[null, 38]]);
  });
});
