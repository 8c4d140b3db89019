import { labelPlaces, labelSheet } from './labelSheet.ts';
import { PAPERS } from './paper.ts';

describe('labels on a printer’s sheet', () => {
  it('lie row by row inside the margins, from the label that is still there', () => {
    const places = labelPlaces(5, 'A4', { columns: 2, rows: 2, left: 10, top: 15, start: 3 });
    expect(places.map((p) => p.sheet)).toEqual([0, 0, 1, 1, 1]);
    expect(places[0]).toEqual({ sheet: 0, x: 10, y: 15 + 267 / 2, width: 95, height: 267 / 2 });
    expect(places[2]).toMatchObject({ sheet: 1, x: 10, y: 15 });
    for (const p of labelPlaces(40, 'Letter', { columns: 4, rows: 7, left: 7, top: 12 })) {
      expect(p.x).toBeGreaterThanOrEqual(7);
      expect(p.x + p.width).toBeLessThanOrEqual(PAPERS.Letter.width - 7 + 1e-9);
      expect(p.y + p.height).toBeLessThanOrEqual(PAPERS.Letter.height - 12 + 1e-9);
    }
  });
  it('begin on a sheet however far the first one is said to be, and read numbers from an address', () => {
    expect(labelPlaces(1, 'A4', { columns: 2, rows: 2, start: 160 })[0]!.sheet).toBe(0);
    expect(labelSheet.parse({ columns: '5', left: '7.5' })).toEqual({ columns: 5, left: 7.5 });
    expect(labelSheet.safeParse({ columns: '0' }).success).toBe(false);
  });
});
