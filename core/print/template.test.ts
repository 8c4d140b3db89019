import { PAPERS } from './paper.ts';
import { templatePage } from './template.ts';

const template = (r: number, opening: number) => ({
  width: 2 * r,
  height: 2 * r,
  marks: [
    { kind: 'circle' as const, role: 'lid' as const, at: [0, 0] as const, radius: r },
    { kind: 'circle' as const, role: 'cut' as const, at: [0, 0] as const, radius: opening },
    {
      kind: 'dimension' as const,
      from: [-opening, 0] as const,
      to: [opening, 0] as const,
      side: [0, 5] as const,
      value: 2 * opening,
    },
  ],
});

describe('paper', () => {
  it('has ISO 216’s A4, a sixteenth of a square metre in the ratio of √2, and Letter in inches', () => {
    expect(PAPERS.A4).toEqual({ width: 210, height: 297 });
    expect(PAPERS.A4.height / PAPERS.A4.width).toBeCloseTo(Math.SQRT2, 2);
    expect((PAPERS.A4.width * PAPERS.A4.height) / 1e6).toBeCloseTo(1 / 16, 3);
    expect(PAPERS.Letter.width).toBeCloseTo(8.5 * 25.4, 9);
    expect(PAPERS.Letter.height).toBeCloseTo(11 * 25.4, 9);
  });
});

describe('the template page', () => {
  it('keeps every size as it is, in the middle of the paper', () => {
    const page = templatePage(template(47.5, 21), 'A4');
    const cut = page.marks.find((m) => m.kind === 'circle' && m.role === 'cut');
    expect(cut).toMatchObject({ radius: 21, at: [105, expect.any(Number)] });
    expect(page.bar.to[0] - page.bar.from[0]).toBe(50);
    expect(page.lidLeftOut).toBe(false);
  });
  it('leaves out a lid that is larger than the paper, never scales it', () => {
    const page = templatePage(template(150, 21), 'A4');
    expect(page.lidLeftOut).toBe(true);
    expect(page.marks.some((m) => m.kind === 'circle' && m.role === 'lid')).toBe(false);
    expect(page.marks.find((m) => m.kind === 'circle')).toMatchObject({ radius: 21 });
  });
  it('says when the opening itself does not fit', () => {
    expect(() => templatePage(template(150, 120), 'Letter')).toThrow(
      expect.objectContaining({ path: 'dials.length' }),
    );
  });
});
