import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SortTable, type SortColumn } from './SortTable.tsx';
import { Table } from './Table.tsx';

globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

describe('a plain table', () => {
  it('has a caption, heads its columns, and foots them', () => {
    render(
      <Table
        caption="What to buy"
        head={['Pack', 'price']}
        rows={[{ key: 'a', cells: ['Caps, 18', '2.10'] }]}
        foot={['In all', '2.10']}
      />,
    );
    const table = screen.getByRole('table', { name: 'What to buy' });
    expect(
      within(table)
        .getAllByRole('columnheader')
        .map((h) => h.textContent),
    ).toEqual(['Pack', 'price']);
    expect(within(table).getByRole('row', { name: 'Caps, 18 2.10' })).toBeVisible();
    expect(within(table).getByRole('row', { name: 'In all 2.10' })).toBeVisible();
  });
});

describe('a table to sort', () => {
  // Rows are drawn where there is room for them; here everything has room.
  const size = { configurable: true, value: 2000 };
  const before = ['clientHeight', 'clientWidth'].map(
    (k) => [k, Object.getOwnPropertyDescriptor(HTMLElement.prototype, k)] as const,
  );
  beforeAll(() => before.forEach(([k]) => Object.defineProperty(HTMLElement.prototype, k, size)));
  afterAll(() =>
    before.forEach(([k, was]) => {
      if (was) Object.defineProperty(HTMLElement.prototype, k, was);
      else delete (HTMLElement.prototype as unknown as Record<string, unknown>)[k];
    }),
  );

  interface Bin {
    readonly id: number;
    readonly name: string;
    readonly kept: number;
  }
  const columns: SortColumn<Bin>[] = [
    { id: 'name', name: 'Material', value: (b) => b.name },
    { id: 'kept', name: 'Kept', value: (b) => b.kept, show: (b) => `${b.kept} kept` },
  ];
  const BINS: Bin[] = [
    { id: 1, name: 'Tube 100', kept: 9 },
    { id: 2, name: 'Tube 20', kept: 110 },
    { id: 3, name: 'cap', kept: 27 },
  ];
  const names = (): string[] =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => within(r).getAllByRole('rowheader')[0]!.textContent);
  const head = (name: string): HTMLElement => screen.getByRole('columnheader', { name });

  it('sorts names as people do, numbers in them by their size, and back again', async () => {
    render(<SortTable label="Bins" columns={columns} rows={BINS} height={1000} />);
    expect(names()).toEqual(['cap', 'Tube 20', 'Tube 100']);
    expect(head('Material')).toHaveAttribute('aria-sort', 'ascending');
    await userEvent.click(head('Material'));
    expect(names()).toEqual(['Tube 100', 'Tube 20', 'cap']);
    expect(head('Material')).toHaveAttribute('aria-sort', 'descending');
  });
  it('sorts counts as numbers, shown in words', async () => {
    render(<SortTable label="Bins" columns={columns} rows={BINS} height={1000} />);
    await userEvent.click(head('Kept'));
    expect(names()).toEqual(['Tube 100', 'cap', 'Tube 20']);
    expect(screen.getByText('110 kept')).toBeVisible();
  });
  it('opens a row by mouse and by keyboard', async () => {
    const opened: number[] = [];
    render(
      <SortTable label="Bins" columns={columns} rows={BINS} onOpen={(id) => opened.push(id)} height={1000} />,
    );
    await userEvent.click(screen.getByRole('row', { name: /Tube 20/ }));
    expect(opened.at(-1)).toBe(2);
    await userEvent.keyboard('{ArrowDown}');
    expect(opened.at(-1)).toBe(1);
  });
  it('shows some hundreds at a time and says how many there are', async () => {
    const many = Array.from({ length: 650 }, (_, i) => ({ id: i + 1, name: `Find ${i + 1}`, kept: i }));
    render(<SortTable label="Finds" columns={columns} rows={many} height={1000} />);
    expect(screen.getByText('The first 300 of 650, as sorted')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Show 300 more' }));
    expect(screen.getByText('The first 600 of 650, as sorted')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Show 50 more' }));
    expect(screen.queryByText(/as sorted/)).toBeNull();
  });
});
