import { forceNumber, forceWords, parseForce } from '../measure/force.ts';
import { isWeak, usualHand } from './usualHand.ts';

describe('a hand by its age', () => {
  it('grows with the age, and is as at the ends of the table beyond them', () => {
    const ages = [12, 18, 24, 30, 36, 48, 60, 72, 96, 120];
    const hands = ages.map(usualHand);
    hands.slice(1).forEach((h, i) => {
      expect(h.force).toBeGreaterThanOrEqual(hands[i]!.force);
      expect(h.span).toBeGreaterThanOrEqual(hands[i]!.span);
    });
    expect(usualHand(6)).toEqual(usualHand(18));
    expect(usualHand(200)).toEqual(usualHand(96));
  });
  it('calls a pinch weak by the age, and judges none that was not measured', () => {
    expect(isWeak({ force: 14 }, 48)).toBe(true);
    expect(isWeak({ force: 16 }, 48)).toBe(false);
    expect(isWeak({ force: 14 }, 24)).toBe(false);
    expect(isWeak({}, 48)).toBe(false);
  });
});

describe('a force as it is read off', () => {
  // 1 kgf = 9.80665 N and 1 lbf = 4.4482216 N: NIST Special Publication 811, appendix B.
  it.each([
    ['24', 24],
    ['24 N', 24],
    ['2.4 kg', 23.53596],
    ['2,4kg', 23.53596],
    ['1 lb', 4.448222],
    ['5 lbs', 22.241108],
    ['400 g', 3.92266],
  ])('%s', (typed, newton) => expect(parseForce(typed)).toBeCloseTo(newton, 5));
  it.each(['', 'strong', '-3', '3 lb 4 oz', '3 m'])('says what it expected of “%s”', (typed) => {
    expect(() => parseForce(typed)).toThrow('is not a force; write it like 24, 24 N, 2.4 kg or 5 lb');
  });
  it('is said in every unit', () => {
    expect(forceWords(24)).toBe('24 N (2.4 kg, 5.4 lb)');
    expect(forceNumber(23.53596)).toBe('23.5');
  });
});
