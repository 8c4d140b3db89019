/** Colours by the names that people give them, as they are drawn here; common practice, without a source. */
const NAMED: Readonly<Record<string, string>> = {
  red: '#B3261E',
  orange: '#E08E45',
  yellow: '#E8CF6C',
  green: '#2C6A3E',
  blue: '#2C5F8A',
  navy: '#1F3A5F',
  turquoise: '#2E8C8C',
  teal: '#2E7C79',
  purple: '#6B4A8A',
  violet: '#6B4A8A',
  lilac: '#B59AC9',
  pink: '#D98BA6',
  brown: '#7A5A3A',
  beige: '#D8C4A0',
  cream: '#F2EDE0',
  white: '#F6F6F0',
  black: '#2A2A2A',
  grey: '#8A8C86',
  gray: '#8A8C86',
  silver: '#B9BDBE',
  gold: '#C7A23C',
  clear: '#DDE9EC',
  transparent: '#DDE9EC',
  natural: '#C8A877',
  mixed: '#8A8C86',
  assorted: '#8A8C86',
};

/**
 * A colour as somebody wrote it: a name (“dark blue”, “Red/white” by its first), or `#RRGGBB`.
 *
 * @returns `#RRGGBB`; null where no colour is named
 * @example colourOf('light blue') // => '#2C5F8A'
 */
export function colourOf(text: string): string | null {
  const t = text.trim().toLowerCase();
  if (/^#[0-9a-f]{6}$/.test(t)) return t.toUpperCase();
  for (const word of t.split(/[^a-z]+/)) if (Object.hasOwn(NAMED, word)) return NAMED[word]!;
  return null;
}
