/** Ages in months as a practitioner writes them: months under three years, years above. */
export function formatAges(from: number, to: number): string {
  return from >= 36 && from % 12 === 0 && to % 12 === 0
    ? `${from / 12}–${to / 12} years`
    : `${from}–${to} months`;
}
