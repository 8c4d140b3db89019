import { chanceOf, rasch, type Response } from './rasch.ts';

/**
 * Law School Admission Test, section 6: 1,000 people, five questions, by pattern of answers (Bock and Lieberman 1970; the
 * frequencies and the estimates below are from memory of what general reference libraries print for them).
 */
const LSAT6: readonly [string, number][] = [
  ['00000', 3],
  ['00001', 6],
  ['00010', 2],
  ['00011', 11],
  ['00100', 1],
  ['00101', 1],
  ['00110', 3],
  ['00111', 4],
  ['01000', 1],
  ['01001', 8],
  ['01011', 16],
  ['01101', 3],
  ['01110', 2],
  ['01111', 15],
  ['10000', 10],
  ['10001', 29],
  ['10010', 14],
  ['10011', 81],
  ['10100', 3],
  ['10101', 28],
  ['10110', 15],
  ['10111', 80],
  ['11000', 16],
  ['11001', 56],
  ['11010', 21],
  ['11011', 173],
  ['11100', 11],
  ['11101', 61],
  ['11110', 28],
  ['11111', 298],
];
const lsat = LSAT6.flatMap(([word, n]) =>
  Array.from({ length: n }, () => [...word].map(Number) as Response[]),
);

describe('the Rasch model', () => {
  it('has the published totals of the data', () => {
    expect(lsat).toHaveLength(1000);
    expect([0, 1, 2, 3, 4].map((j) => lsat.filter((r) => r[j] === 1).length)).toEqual([
      924, 709, 553, 763, 870,
    ]);
  });
  it('gives the estimates that reference libraries give: common slope 0.7551, log-likelihood −2466.938', () => {
    const a = rasch(lsat);
    expect(a.sd).toBeCloseTo(0.7551, 3);
    expect(a.logLikelihood).toBeCloseTo(-2466.938, 2);
    // Printed as difficulties of a model with a common slope: −3.6153, −1.3224, −0.3176, −1.7301, −2.7802.
    [-3.6153, -1.3224, -0.3176, -1.7301, -2.7802].forEach((d, j) =>
      expect(a.difficulties[j]! / a.sd).toBeCloseTo(d, 2),
    );
  });
  it('is at the top of the likelihood: no small move is better', () => {
    const few = lsat.filter((_, i) => i % 7 === 0);
    const a = rasch(few);
    const at = (d: number[], sd: number): number => {
      let sum = 0;
      for (const row of few) {
        let p = 0;
        for (let q = -600; q <= 600; q++) {
          const z = q / 100;
          let f = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI) / 100;
          row.forEach((x, j) => (f *= x === 1 ? chanceOf(sd * z, d[j]!) : 1 - chanceOf(sd * z, d[j]!)));
          p += f;
        }
        sum += Math.log(p);
      }
      return sum;
    };
    const best = at(a.difficulties, a.sd);
    expect(best).toBeCloseTo(a.logLikelihood, 6);
    for (const by of [-0.02, 0.02]) {
      expect(at(a.difficulties, a.sd + by)).toBeLessThan(best);
      a.difficulties.forEach((_, j) =>
        expect(
          at(
            a.difficulties.map((d, k) => (k === j ? d + by : d)),
            a.sd,
          ),
        ).toBeLessThan(best),
      );
    }
  });
  it('leaves out what was not tried, and places nobody where nothing was', () => {
    const a = rasch([
      ...lsat.filter((_, i) => i % 3 === 0),
      [null, null, null, null, null],
      [1, null, null, null, null],
    ]);
    expect(a.abilities.at(-2)!.mean).toBeCloseTo(0, 9);
    expect(a.abilities.at(-2)!.sd).toBeCloseTo(a.sd, 6);
    expect(a.abilities.at(-1)!.mean).toBeGreaterThan(0);
    expect(a.abilities[0]!.mean).toBeLessThan(-0.5);
  });
  it.each([
    [
      [
        [1, 0],
        [1, 1],
      ],
      'always managed',
    ],
    [
      [
        [0, 0],
        [0, 1],
      ],
      'never managed',
    ],
    [
      [
        [null, 0],
        [null, 1],
      ],
      'never tried',
    ],
  ] as [Response[][], string][])('says what it cannot place: %j', (rows, why) => {
    expect(() => rasch(rows)).toThrow(why);
  });
});
