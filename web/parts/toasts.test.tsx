import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import Toasts, { queue } from './Toasts.tsx';

const put = (words: string, part: object = {}): void => {
  act(() => {
    queue.add({ words, tone: 'clear', ...part });
  });
};
afterEach(() => act(() => queue.clear()));

describe('a message at the foot of the screen', () => {
  it('lets a press through to what it lies over, and takes one on its own buttons', async () => {
    let undone = 0;
    render(<Toasts />);
    put('Helper can sign in now.', { undo: () => undone++ });
    const region = screen.getByRole('region');
    expect(getComputedStyle(region).pointerEvents).toBe('none');
    const undo = screen.getByRole('button', { name: 'Undo' });
    expect(getComputedStyle(undo).pointerEvents).toBe('auto');
    await userEvent.click(undo);
    expect(undone).toBe(1);
  });
  it('is closed by its own button', async () => {
    render(<Toasts />);
    put('Saved.');
    expect(screen.getByText('Saved.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Close/ }));
    expect(screen.queryByText('Saved.')).toBeNull();
  });
  it('says a problem in its own tone', () => {
    render(<Toasts />);
    put('It was not saved.', { tone: 'stop' });
    expect(screen.getByText('It was not saved.').closest('.toast')).toHaveAttribute('data-tone', 'stop');
  });
});
