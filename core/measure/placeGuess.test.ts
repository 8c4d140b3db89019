import { guessPlace } from './placeGuess.ts';

const LOCALES = ['en-GB', 'en-US', 'en-CA', 'es-ES', 'pl-PL'];

describe('a first guess of how a place writes', () => {
  it.each([
    ['en-US', 'in', 'Letter', 'USD', 'en-US'],
    ['en-GB', 'mm', 'A4', 'GBP', 'en-GB'],
    ['en-CA', 'mm', 'Letter', 'CAD', 'en-CA'],
    ['pl-PL', 'mm', 'A4', 'PLN', 'pl-PL'],
    ['es-MX', 'mm', 'A4', 'EUR', 'es-ES'],
    ['en', 'mm', 'A4', 'GBP', 'en-GB'],
    ['tlh', 'mm', 'A4', 'GBP', 'en-GB'],
    ['', 'mm', 'A4', 'GBP', 'en-GB'],
  ])('%s', (asked, lengthUnit, paper, currency, locale) => {
    expect(guessPlace(asked, LOCALES)).toEqual({ lengthUnit, paper, currency, locale });
  });
});
