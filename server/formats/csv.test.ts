import { eachRow, harmless, isFormula, MOST_ROWS, separatorOf, unharmed } from './csv.ts';

const cellsOf = (text: string): string[][] => {
  const rows: string[][] = [];
  eachRow(text, (r) => rows.push(r.cells));
  return rows;
};

it('a file with too many rows is refused, one with as many as may be is not', () => {
  let seen = 0;
  const text = `name\n${'A\n'.repeat(MOST_ROWS - 1)}`;
  eachRow(text, () => seen++);
  expect(seen).toBe(MOST_ROWS);
  expect(() => eachRow(`${text}A\n`, () => {})).toThrow(/more than 250000 rows/);
});

it('rows may be shorter or longer than the first, and are read in the time of others', () => {
  expect(cellsOf('name,form\nLid\nCap,disc,38')).toEqual([['name', 'form'], ['Lid'], ['Cap', 'disc', '38']]);
  const before = Error.stackTraceLimit;
  cellsOf(`name,form\n${'A\n'.repeat(1000)}`);
  expect(Error.stackTraceLimit).toBe(before);
});

it('cells are parted by what parts the header most, outside its quotes', () => {
  expect(separatorOf('"a;b;c",d,e')).toBe(',');
  expect(separatorOf('name;form;size')).toBe(';');
  expect(separatorOf('name\tform')).toBe('\t');
  expect(cellsOf('name;note\nLid;"3,5; or\n""four"""')).toEqual([
    ['name', 'note'],
    ['Lid', '3,5; or\n"four"'],
  ]);
});

it('what a spreadsheet would run goes out with an apostrophe and comes in as it was', () => {
  for (const cell of ['=1+1', '+SUM(A1)', '@x', '-2', "'=1", '\tx', 'plain', "'plain", ''])
    expect(unharmed(harmless(cell))).toBe(cell);
  expect(isFormula('=1+1')).toBe(true);
  // A number with a sign is no formula.
  expect(isFormula('-2,5')).toBe(false);
});
