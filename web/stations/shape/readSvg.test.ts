import { readSvg } from './readSvg.ts';

const svg = (inside: string, attributes = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inside}</svg>`;

it('takes the largest shape, moved by its groups', () => {
  const read = readSvg(
    svg('<g transform="translate(5 5)"><rect width="10" height="4"/><circle r="1"/></g><title>Sail</title>'),
    'sail.svg',
  );
  expect(read).toEqual({
    kind: 'own',
    name: 'sail',
    points: [
      [5, 5],
      [15, 5],
      [15, 9],
      [5, 9],
    ],
  });
});

it.each([
  [
    'a document type',
    `<!DOCTYPE svg [<!ENTITY a "b">]>${svg('<rect width="1" height="1"/>')}`,
    /document type/,
  ],
  ['a script', svg('<script>alert(1)</script><rect width="9" height="9"/>'), /“script”/],
  ['a handler', svg('<rect width="9" height="9" onclick="x()"/>'), /script or a link/],
  [
    'a link outwards',
    svg('<g xlink:href="http://example.org/x"><rect width="9" height="9"/></g>'),
    /script or a link/,
  ],
  ['a picture', svg('<image width="9" height="9"/>'), /“image”/],
  ['nothing closed', svg('<title>empty</title>'), /no closed shape/],
  ['what is no SVG', 'hello', /not SVG/],
  [
    'a line that crosses itself',
    svg('<polygon points="0,0 10,10 10,0 0,10"/>'),
    /crosses itself|encloses nothing/,
  ],
  [
    'parts without end',
    svg('<g>'.repeat(40) + '<rect width="9" height="9"/>' + '</g>'.repeat(40)),
    /too many parts/,
  ],
])('refuses %s with a word', (_, text, words) => {
  expect(() => readSvg(text, 'x.svg')).toThrow(words);
});
