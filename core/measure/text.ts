/** Within a name nothing breaks the line: it stands in a row of a list, a file and a label. */
export const ONE_LINE = /^[^\t\n\r\v\f\u0085\u2028\u2029]*$/;

/** A name in one line: where a cell of a spreadsheet breaks it, a space stands. */
export const oneLine = (text: string): string => text.replace(/\s*[\t\n\r\v\f\u0085\u2028\u2029]+\s*/g, ' ');

/**
 * The first character of a text that cannot be written on paper or screen, named like `U+0007`; null when all can.
 * Tabs and line breaks can; other control characters and halves of surrogate pairs cannot.
 */
export function strayCharacter(text: string): string | null {
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code >= 0xd800 && code <= 0xdbff) {
      const next = text.charCodeAt(i + 1);
      if (next >= 0xdc00 && next <= 0xdfff) {
        i++;
        continue;
      }
    }
    const control =
      (code < 0x20 && code !== 9 && code !== 10 && code !== 13) || (code >= 0x7f && code <= 0x9f);
    if (control || (code >= 0xd800 && code <= 0xdfff))
      return `U+${code.toString(16).toUpperCase().padStart(4, '0')}`;
  }
  return null;
}

/** Every text in a value that holds such a character, by its path; walks without recursion, since a body may be deep. */
export function strayTexts(value: unknown): { path: string; message: string }[] {
  const found: { path: string; message: string }[] = [];
  const open: { at: string; value: unknown }[] = [{ at: '', value }];
  while (open.length > 0) {
    const { at, value: v } = open.pop()!;
    if (typeof v === 'string') {
      const stray = strayCharacter(v);
      if (stray)
        found.push({ path: at, message: `holds ${stray}, which cannot be printed; expected plain words` });
    } else if (typeof v === 'object' && v !== null)
      for (const [k, part] of Object.entries(v)) open.push({ at: at === '' ? k : `${at}.${k}`, value: part });
  }
  return found.reverse();
}
