/** Ages in English. */
export const en = {
  months: '{from}–{to} months',
  monthsAge: '{age} months',
  yearsAge: '{age, plural, one {{age} year} other {{age} years}}',
  years: '{from}–{to} years',
};
