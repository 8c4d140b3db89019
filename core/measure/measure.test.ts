import fc from 'fast-check';
import { addDays, daysBetween, repeatedDays, shortDay } from '../calendar/days.ts';
import { formatLength, inUnit, lengthNumber, parseLength } from './length.ts';
import { formatMinutes } from './minutes.ts';
import { formatMoney, isCurrency, moneyNumber, parseMoney } from './money.ts';

describe('lengths', () => {
  it.each([
    ['38', 'mm', 38],
    ['3.8 cm', 'mm', 38],
    ['3,8cm', 'mm', 38],
    ['0.04 m', 'mm', 40],
    ['1 1/2"', 'mm', 38.1],
    ['1-1/2 in', 'mm', 38.1],
    ['1½″', 'mm', 38.1],
    ['½"', 'mm', 12.7],
    ['3/4', 'in', 19.05],
    ['1 1/2', 'in', 38.1],
    ['1.5', 'in', 38.1],
    ['38 mm', 'in', 38],
    ['2 INCHES', 'mm', 50.8],
    ['.5', 'mm', 0.5],
  ] as const)('reads “%s” (%s) as %f mm', (text, unit, mm) => {
    expect(parseLength(text, unit)).toBeCloseTo(mm, 6);
  });

  it.each(['', 'abc', '-3', '1/0', '3 4', '1e9', '12 ft', '1 1', '--'])(
    'refuses “%s”, saying how to write it',
    (text) => {
      expect(() => parseLength(text, 'mm')).toThrow(/write it like 38/);
    },
  );

  it('prints millimetres to a tenth and inches to a sixteenth', () => {
    expect(formatLength(38, 'mm')).toBe('38 mm');
    expect(formatLength(-3.149, 'mm')).toBe('−3.1 mm');
    expect(formatLength(38.1, 'in')).toBe('1 1/2″');
    expect(lengthNumber(12.7, 'in')).toBe('1/2');
    expect(lengthNumber(0.2, 'in')).toBe('0');
  });

  it('reads back what it prints, to the printed step', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 900, noNaN: true }), (mm) => {
        expect(Math.abs(parseLength(lengthNumber(mm, 'mm'), 'mm') - mm)).toBeLessThanOrEqual(0.0501);
        expect(Math.abs(parseLength(lengthNumber(mm, 'in'), 'in') - mm)).toBeLessThanOrEqual(
          25.4 / 32 + 1e-6,
        );
      }),
      { seed: 1 },
    );
  });
});

describe('money, minutes and days', () => {
  it('keeps prices in whole minor units', () => {
    expect(parseMoney('2.40', 'EUR')).toBe(240);
    expect(parseMoney('2,4', 'EUR')).toBe(240);
    expect(parseMoney('3', 'EUR')).toBe(300);
    const pounds = { currency: 'GBP', locale: 'en-GB' };
    expect(formatMoney(240, pounds)).toBe('£2.40');
    expect(formatMoney(5, pounds)).toBe('£0.05');
    expect(formatMoney(124_050, { currency: 'EUR', locale: 'de-DE' })).toMatch(/^1\.240,50\s€$/);
    // Minor units as ISO 4217 has them: none in yen, three in dinars.
    expect(formatMoney(240, { currency: 'JPY', locale: 'en-US' })).toBe('¥240');
    expect([moneyNumber(240, 'JPY'), moneyNumber(2400, 'KWD'), moneyNumber(240, 'USD')]).toEqual([
      '240',
      '2.400',
      '2.40',
    ]);
    expect([parseMoney('240', 'JPY'), parseMoney('2.4', 'KWD')]).toEqual([240, 2400]);
    expect(() => parseMoney('2.5', 'JPY')).toThrow(/write it like 240/);
    expect([isCurrency('GBP'), isCurrency('gbp'), isCurrency('XQX')]).toEqual([true, false, false]);
    expect(() => parseMoney('2.405', 'EUR')).toThrow(/price/);
    expect(() => parseMoney('-2', 'EUR')).toThrow(/price/);
  });
  it('says minutes as people do', () => {
    expect([45, 60, 80].map(formatMinutes)).toEqual(['45 min', '1 h', '1 h 20 min']);
  });
  it('counts days over months, leap days and clock changes', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysBetween('2026-11-24', '2026-11-20')).toBe(-4);
    expect(shortDay('2026-12-01')).toBe('1 Dec');
  });
});

describe('a sentence in the place’s unit', () => {
  it.each([
    ['Keep 12.7 mm of lid all round.', 'Keep 1/2″ of lid all round.'],
    ['A hand needs 80 × 40 mm and 60 mm of depth.', 'A hand needs 3 1/8″ × 1 9/16″ and 2 3/8″ of depth.'],
    // Less than a sixteenth of an inch is not written as nothing.
    ['It needs 0.6 mm more room.', 'It needs 0.6 mm more room.'],
    ['Use 3 pieces of 25 mm², not mmm.', 'Use 3 pieces of 25 mm², not mmm.'],
    ['No length at all.', 'No length at all.'],
  ])('%s', (text, inches) => {
    expect(inUnit(text, 'in')).toBe(inches);
    expect(inUnit(text, 'mm')).toBe(text);
  });
});

describe('times that come back', () => {
  // 27 November 2026 is a Friday.
  it.each([
    ['once', ['2026-11-27']],
    ['daily', ['2026-11-27', '2026-11-28', '2026-11-29', '2026-11-30', '2026-12-01']],
    ['weekdays', ['2026-11-27', '2026-11-30', '2026-12-01']],
    ['weekly', ['2026-11-27']],
  ] as const)('%s', (repeats, days) => {
    expect(repeatedDays('2026-11-27', repeats, '2026-12-01')).toEqual(days);
  });
  it('keep their day of the week, and the first day even where it is none of them', () => {
    expect(repeatedDays('2026-11-27', 'weekly', '2026-12-11')).toEqual([
      '2026-11-27',
      '2026-12-04',
      '2026-12-11',
    ]);
    expect(repeatedDays('2026-11-28', 'weekdays', '2026-11-30')).toEqual(['2026-11-28', '2026-11-30']);
    expect(repeatedDays('2026-11-27', 'daily', '2026-11-01')).toEqual(['2026-11-27']);
  });
});
