/** Ages in English. */
export const en = {
  months: '{from}–{to} months',
  years: '{from}–{to} years',
};
