import { guessColumns, headerRow, headingWords, LIST_FIELDS, unitOf } from './columns.ts';
import { colourOf } from './colours.ts';
import { dayIn } from './dayIn.ts';
import { classMeant, formMeant } from './formWords.ts';
import { countIn, readList, sizesIn } from './readList.ts';

const HOW = { unit: 'mm', locale: 'en-GB', today: '2026-11-24', firstRow: 2 } as const;
const read = (headings: string, ...rows: string[]) => {
  const cells = rows.map((r) => r.split('|').map((c) => c.trim()));
  const names = headings.split('|');
  return readList(cells, guessColumns(names, cells), { ...HOW, units: names.map(unitOf) });
};

describe('what a column means', () => {
  it.each([
    ['Item|Qty|Diameter (mm)|Height', 'name,count,across,height'],
    ['Thing|How many?|Ø|h|Colour', 'name,count,across,height,colour'],
    ['What|Number|Size (cm)|Date received|Who brought it', 'name,count,size,came in,from'],
    ['Name|Type|Stock|L|W|H|Wall|Made of', 'name,kind,count,length,width,height,thickness,made of'],
    ['Description|#|Colours', 'name,count,colour'],
  ])('%s', (headings, fields) => {
    expect(guessColumns(headings.split('|'), []).join()).toBe(fields);
  });
  it('goes by what stands under a heading that says nothing', () => {
    expect(
      guessColumns(
        ['1.', '2.', '3.', '4.', '5.'],
        [
          ['Milk caps', '12', '38 x 14', '05/11/2026', 'red'],
          ['Tubs', '3', '95 x 110', '6.11.2026', 'white'],
        ],
      ),
    ).toEqual(['name', 'count', 'size', 'came in', 'colour']);
  });
  it('remembers what somebody said of a heading, and gives no field twice', () => {
    expect(guessColumns(['Bezeichnung', 'Item'], [['Deckel', 'x']], { bezeichnung: 'name' })).toEqual([
      'name',
      'ignore',
    ]);
    const fields = guessColumns(['Qty', 'Count', 'Amount', 'Name', 'Item'], []);
    for (const f of LIST_FIELDS)
      if (f !== 'ignore') expect([f, fields.filter((x) => x === f).length < 2]).toEqual([f, true]);
  });
  it('finds the headings under a title', () => {
    expect(headerRow([['Cupboard list 2026'], [''], ['Item', 'Qty'], ['Caps', '12']])).toBe(2);
    expect(
      headerRow([
        ['Item', 'Qty'],
        ['Caps', '12'],
      ]),
    ).toBe(0);
    expect(
      headerRow([
        ['Zeug', 'Stück'],
        ['Deckel', '12'],
      ]),
    ).toBe(0);
    expect(headingWords('  Dia. [mm] ')).toBe('dia');
  });
});

describe('cells as people write them', () => {
  it.each([
    ['12', 12],
    ['4,0', 4],
    ['4.0', 4],
    ['ca. 30', 30],
    ['about 7', 7],
    ['12 pcs', 12],
    ['1,200', 1200],
    ['1.200', 1200],
  ])('%s is a count', (text, n) => expect(countIn(text)).toBe(n));
  it.each(['a few', '4,5', '-3', '', '12-15', '1e9x'])('%s is none', (text) =>
    expect(() => countIn(text)).toThrow(/expected a whole number/),
  );
  it.each([
    ['38 x 14 mm', [38, 14]],
    ['3,8 × 1,4 cm', [38, 14]],
    ['1 1/2 in', [38.1]],
    ['9 1/2 x 12 in', [241.3, 304.8]],
    ['ø 40', [40]],
    ['10 by 20 by 30', [10, 20, 30]],
  ])('%s are lengths', (text, mm) => expect(sizesIn(text, 'mm')).toEqual(mm));
  it.each([
    ['05/11/2026', 'en-GB', '2026-11-05'],
    ['05/11/2026', 'en-US', '2026-05-11'],
    ['25/11/2026', 'en-US', '2026-11-25'],
    ['5.11.26', 'de-DE', '2026-11-05'],
    ['5 Nov 2026', 'en-GB', '2026-11-05'],
    ['November 5th, 2026', 'en-US', '2026-11-05'],
    ['2026-11-05', 'en-US', '2026-11-05'],
    ['31/02/2026', 'en-GB', null],
    ['soon', 'en-GB', null],
    ['12', 'en-GB', null],
  ])('%s in %s is %s', (text, locale, day) => expect(dayIn(text, locale)).toBe(day));
  it('knows colours by their names', () => {
    expect(colourOf('Red')).toBe('#B3261E');
    expect(colourOf('dark blue')).toBe(colourOf('blue'));
    expect(colourOf('#b0451a')).toBe('#B0451A');
    expect(colourOf('constructor')).toBeNull();
    expect(colourOf('shiny')).toBeNull();
  });
  it('knows forms by their last word, and stuff', () => {
    expect(formMeant('bottle cap')?.form).toBe('disc');
    expect(formMeant('Cap box')?.form).toBe('container');
    expect(formMeant('Egg carton')?.form).toBe('container');
    expect(formMeant('Wooden balls, 50 mm')).toMatchObject({ form: 'piece', solid: 'ball' });
    expect(formMeant('Gizmo')).toBeNull();
    expect(classMeant('Cardboard')).toBe('card');
    expect(classMeant('unobtainium')).toBeNull();
  });
});

describe('a list as somebody keeps it', () => {
  it('holds kind, sizes and quantity in one row', () => {
    const { good, bad, totals } = read(
      'Item|Qty|Diameter|Height|Colour|Came in',
      'Bottle caps|24|38|1,4 cm|red|05/11/2026',
      'Wide lid|4,0|4 in|9||',
      'Total|28||||',
    );
    expect(bad).toEqual([]);
    expect(totals).toBe(1);
    expect(
      good.map((g) => [g.row, g.material.name, g.material.form, g.material.sizes, g.quantity, g.cameOn]),
    ).toEqual([
      [2, 'Bottle caps', 'disc', expect.objectContaining({ diameter: 38, height: 14 }), 24, '2026-11-05'],
      [3, 'Wide lid', 'disc', expect.objectContaining({ diameter: 101.6, height: 9 }), 4, '2026-11-24'],
    ]);
    expect(good[0]!.material.colour).toBe('#B3261E');
  });
  it('takes the usual sizes of a kind of the catalogue, and says whose they are', () => {
    const [yoghurt, string] = read('Item|Qty', 'yoghurt tub|3', 'Shoe laces|2').good;
    expect(yoghurt).toMatchObject({ usualOf: 'Yogurt tub, 500 g', quantity: 3 });
    expect(yoghurt!.material.sizes).toMatchObject({ diameter: 95, height: 110 });
    expect(string).toMatchObject({ usualOf: 'Shoe lace', material: { form: 'cord' } });
  });
  it('gives back what it does not understand, with every reason', () => {
    const { good, bad } = read('Item|Qty|Diameter|When', 'Gizmo|a few|wide|soon', 'Odd lid|7|41|', '|5|3|');
    expect(good).toEqual([]);
    expect(bad.map((b) => b.row)).toEqual([2, 3, 4]);
    expect(bad[0]!.why.map((w) => w.split(':')[0])).toEqual(['kind', 'across', 'count', 'came in']);
    expect(bad[0]!.cells).toEqual(['Gizmo', 'a few', 'wide', 'soon']);
    expect(bad[1]!.why.join()).toMatch(/its height is missing/);
    expect(bad[2]!.why.join()).toMatch(/name: is missing/);
  });
  it('goes by the unit of a heading, unless a cell has its own', () => {
    const { good } = read('Lids|Qty|Across (cm)|Height in mm', 'Lid|1|3,8|14', 'Big lid|1|101 mm|9');
    expect(good.map((g) => g.material.sizes)).toMatchObject([
      { diameter: 38, height: 14 },
      { diameter: 101, height: 9 },
    ]);
    expect(['Size (cm)', 'Dia, inches', 'Ø [mm]', 'Coming in', 'Main'].map(unitOf)).toEqual([
      'cm',
      'in',
      'mm',
      'in',
      null,
    ]);
  });
  it('leaves out empty rows, and needs no count where the list has no such column', () => {
    const { good, bad } = read('Item|Size', 'Wooden ball|50 mm', '|', 'Kitchen roll tube|44 x 230');
    expect(bad).toEqual([]);
    expect(
      good.map((g) => [g.material.solid ?? g.material.form, g.material.sizes.diameter, g.quantity]),
    ).toEqual([
      ['ball', 50, 0],
      ['tube', 44, 0],
    ]);
  });
});
