import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pdfText, startTest, withDesign, type TestDesk } from '../testing.ts';

let desk: TestDesk;
let id: number;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-papers-'));
  desk = await startTest();
  const { design } = await withDesign(desk);
  id = design.id;
  await desk.post('/builds', { designId: id, version: 1, copies: 2 }).expect(201);
});
afterAll(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});

const fetchFile = async (path: string): Promise<Buffer> =>
  (
    await desk
      .get(path)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (c: Buffer) => parts.push(c));
        res.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200)
  ).body as Buffer;

/** A page as grey pixels at 254 dpi, ten to the millimetre, drawn by poppler: a reader that is not ours. */
function pixels(pdf: Buffer): { width: number; height: number; dark(x: number, y: number): boolean } {
  writeFileSync(join(folder, 'page.pdf'), pdf);
  execFileSync('pdftoppm', [
    '-r',
    '254',
    '-gray',
    '-f',
    '1',
    '-l',
    '1',
    '-singlefile',
    join(folder, 'page.pdf'),
    join(folder, 'page'),
  ]);
  const file = readFileSync(join(folder, 'page.pgm'));
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(file.subarray(0, 40).toString('latin1'))!;
  const [width, height] = [Number(head[1]), Number(head[2])];
  return { width, height, dark: (x, y) => file[head[0].length + y * width + x]! < 128 };
}

/** Longest unbroken dark run in a row. */
function longestRun(page: ReturnType<typeof pixels>, y: number): number {
  let best = 0;
  for (let x = 0, run = 0; x < page.width; x++) {
    run = page.dark(x, y) ? run + 1 : 0;
    best = Math.max(best, run);
  }
  return best;
}

describe.each([
  ['A4', 2100, 2970],
  ['Letter', 2159, 2794],
] as const)('the template on %s', (paper, width, height) => {
  it('is the size of its paper, with a bar of 50 mm and a slot of 42 mm, to a fifth of a millimetre', async () => {
    const page = pixels(await fetchFile(`/designs/${id}/template.pdf?paper=${paper}`));
    expect(Math.abs(page.width - width)).toBeLessThanOrEqual(1);
    expect(Math.abs(page.height - height)).toBeLessThanOrEqual(1);
    const bar = Math.max(...Array.from({ length: 11 }, (_, k) => longestRun(page, height - 185 + k)));
    expect(Math.abs(bar - 500)).toBeLessThanOrEqual(5);
    // The lid of 95 mm is laid under its title, the slot in its middle.
    const slot = Math.max(...Array.from({ length: 240 }, (_, k) => longestRun(page, 740 + k)));
    expect(Math.abs(slot - 420)).toBeLessThanOrEqual(5);
  });

  it('is drawn in millimetres as SVG', async () => {
    const svg = (await fetchFile(`/designs/${id}/template.svg?paper=${paper}`)).toString();
    expect(svg).toContain(
      `width="${width / 10}mm" height="${height / 10}mm" viewBox="0 0 ${width / 10} ${height / 10}"`,
    );
    expect(svg).toMatch(/id="checking-bar" d="M12 [\d.]+H62/);
    const cut = /class="cut" points="([^"]+)"/
      .exec(svg)![1]!
      .split(' ')
      .map((p) => Number(p.split(',')[0]));
    expect(Math.max(...cut) - Math.min(...cut)).toBeCloseTo(42, 3);
  });
});

describe('papers for the bench', () => {
  it('the build sheet has steps, needs, the blade and the deference', async () => {
    const pdf = await fetchFile(`/designs/${id}/build-sheet.pdf?paper=A4&copies=3`);
    writeFileSync(join(folder, 'sheet.pdf'), pdf);
    const text = execFileSync('pdftotext', ['-layout', join(folder, 'sheet.pdf'), '-'], { encoding: 'utf8' });
    expect(text).toMatch(/Drop tub/);
    expect(text).toMatch(/Cap\s+24/);
    expect(text).toMatch(/adult · BLADE/);
    expect(text).toMatch(/not a certificate/);
    expect(execFileSync('pdffonts', [join(folder, 'sheet.pdf')], { encoding: 'utf8' })).toMatch(
      /Atkinson\S+ +CID TrueType +Identity-H +yes/,
    );
  });

  it('the check sheet says what was found, tested and not checked, and the page for a family answers in plain words', async () => {
    const textOf = (path: string): Promise<string> => pdfText(desk, path);
    await desk
      .post('/tests', {
        designId: id,
        part: 'Cap',
        test: 'pull',
        passed: true,
        force: 91,
        by: 'Keeper of the cart',
        words: 'no crack',
      })
      .expect(201);
    const sheet = await textOf(`/designs/${id}/check-sheet.pdf?paper=A4`);
    const report = (await desk.get(`/designs/${id}/check`).expect(200)).body as {
      findings: { title: string; verdict: string }[];
      youngest: number;
      unchecked: string[];
    };
    expect(sheet).toMatch(/Rules applied: strictest of both\. Youngest who will use it: 18 months/);
    // What stands on the paper is what the screen is told.
    for (const f of report.findings) expect(sheet).toContain(f.title);
    for (const u of report.unchecked) expect(sheet).toContain(u);
    expect(sheet).toMatch(/Cap: too large by [\d.]+ mm to go in/);
    expect(sheet).toMatch(/pull · Cap: held, 91 N · Keeper of the cart/);
    expect(sheet).toMatch(/not a certificate/);
    const page = await textOf(`/designs/${id}/family-check.pdf`);
    expect(page).toMatch(/Could my child choke on it\?/);
    expect(page).toMatch(/too large to go into the test tube/);
    expect(page).toMatch(/Whom to ring/);
    expect(page).toMatch(/page 1 of 1/);
    expect(`${sheet} ${page}`).not.toMatch(/\bsafe\b/i);
  });

  it('a recall writes a page to each family that has the kit, and to nobody when it is over', async () => {
    const kits = (await desk.get('/kits').expect(200)).body as { id: number; label: string }[];
    const lend = async (name: string, at: number): Promise<void> => {
      const family = (await desk.post('/borrowers', { name, group: 'Gulls' }).expect(201)).body as {
        id: number;
      };
      await desk
        .post('/loans', { kitId: kits[at]!.id, borrowerId: family.id, dueOn: '2026-12-05' })
        .expect(201);
    };
    await lend('Plum Wherry', 0);
    await lend('Rust Gig', 1);
    const test = (passed: boolean) =>
      desk
        .post('/tests', {
          designId: id,
          part: 'Cap',
          test: 'twist',
          passed,
          force: null,
          by: 'Keeper',
          words: '',
        })
        .expect(201);
    await desk.get(`/designs/${id}/recall.pdf`).expect(404);
    await test(false);
    writeFileSync(join(folder, 'recall.pdf'), await fetchFile(`/designs/${id}/recall.pdf`));
    const pages = execFileSync('pdftotext', ['-layout', join(folder, 'recall.pdf'), '-'], {
      encoding: 'utf8',
    })
      .split('\f')
      .filter((p) => p.trim() !== '');
    expect(pages).toHaveLength(2);
    for (const [i, family] of ['Plum Wherry', 'Rust Gig'].entries()) {
      const page = pages.find((p) => p.includes(family))!;
      expect(page).toContain(kits[i]!.label);
      expect(page).toMatch(/twist test/);
    }
    await test(true);
    await desk.get(`/designs/${id}/recall.pdf`).expect(404);
  });

  it('labels are read by a scanner that is not ours, QR and Code 128 alike', async () => {
    writeFileSync(join(folder, 'labels.pdf'), await fetchFile(`/designs/${id}/labels.pdf`));
    execFileSync('pdftoppm', [
      '-r',
      '300',
      '-png',
      '-singlefile',
      join(folder, 'labels.pdf'),
      join(folder, 'labels'),
    ]);
    const read = execFileSync('zbarimg', ['-q', join(folder, 'labels.png')], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .sort();
    expect(read).toEqual(['CODE-128:FB-001a', 'CODE-128:FB-001b', 'QR-Code:FB-001a', 'QR-Code:FB-001b']);
  });

  it('words on a label never run into its bars', async () => {
    const { id: _, version: __, ...design } = (await desk.get(`/designs/${id}`)).body;
    const long = (
      await desk
        .post('/designs', {
          ...design,
          name: 'A very long name for a very small tub with caps in it',
          copies: 1,
          dials: { ...design.dials, pieces: 3 },
        })
        .expect(201)
    ).body;
    await desk.post('/builds', { designId: long.id, version: 1, copies: 1 }).expect(201);
    writeFileSync(join(folder, 'long.pdf'), await fetchFile(`/designs/${long.id}/labels.pdf`));
    const boxes = execFileSync('pdftotext', ['-bbox', join(folder, 'long.pdf'), '-'], { encoding: 'utf8' });
    // The bars begin 19.5 mm below the label's top, which lies 8 mm down the page; points are 72 to the inch.
    const bottoms = [...boxes.matchAll(/yMax="([\d.]+)"/g)].map((m) => (Number(m[1]) * 25.4) / 72);
    expect(bottoms.length).toBeGreaterThan(5);
    expect(Math.max(...bottoms)).toBeLessThanOrEqual(8 + 19.5 + 0.3);
    execFileSync('pdftoppm', [
      '-r',
      '300',
      '-png',
      '-singlefile',
      join(folder, 'long.pdf'),
      join(folder, 'long'),
    ]);
    expect(execFileSync('zbarimg', ['-q', join(folder, 'long.png')], { encoding: 'utf8' })).toContain(
      'CODE-128:FB-00',
    );
  });

  it('asks for a paper that it knows', async () => {
    expect((await desk.get(`/designs/${id}/template.pdf?paper=A9`).expect(400)).body.errors[0].path).toBe(
      'paper',
    );
    await desk.get('/designs/77/template.pdf').expect(404);
  });

  it('escapes a name in the SVG', async () => {
    const { id: _, version: __, ...design } = (await desk.get(`/designs/${id}`)).body;
    const made = (await desk.post('/designs', { ...design, name: '<script>"&' }).expect(201)).body;
    expect((await fetchFile(`/designs/${made.id}/template.svg`)).toString()).not.toContain('<script>');
  });
});

describe('the wanted list', () => {
  it('shows families what, how large, how many, how clean, until when, and what not to bring', async () => {
    const shared = desk;
    desk = await startTest();
    const { design } = await withDesign(desk);
    writeFileSync(
      join(folder, 'wanted.pdf'),
      await fetchFile(`/designs/${design.id}/wanted.pdf?copies=7&until=2026-12-22`),
    );
    await desk.get(`/designs/${design.id}/wanted.pdf?until=soon`).expect(400);
    const past = await desk.get(`/designs/${design.id}/wanted.pdf?until=2026-11-23`).expect(400);
    expect(past.body).toMatchObject({
      errors: [{ path: 'until', message: 'expected 2026-11-24 or a later day' }],
    });
    await desk.close();
    desk = shared;
    const text = execFileSync('pdftotext', ['-layout', join(folder, 'wanted.pdf'), '-'], {
      encoding: 'utf8',
    });
    expect(text).toMatch(/Please save for us/);
    expect(text).toMatch(/Drop tub. Until 22 Dec 2026/);
    // Eight caps for each of seven kits, less the 27 that are kept; seven tubs, less six.
    expect(text).toMatch(/Cap +29/);
    expect(text).toMatch(/Tub +1\b/);
    expect(text).toMatch(/About 38 mm across, 14 mm high/);
    expect(text).toMatch(/drawn at true size/);
    expect(text).toMatch(/still wanted/);
    expect(text).toMatch(/Wash in hot soapy water/);
    expect(text).toMatch(/raw meat or fish/);
  });
});

describe('names of every alphabet', () => {
  const NAMES = ['Łódź żółw', 'Ελληνική βάρκα', 'Київ, ґанок', 'Åsa’s Größe', 'Boat 🚤'];
  const LONG = `Long name ${'Ωκεανός żółw '.repeat(20)}`.slice(0, 80).trim();
  it.each([...NAMES, LONG, 'x'.repeat(80)])('are printed whole on every paper: %s', async (name) => {
    const tall = await startTest();
    const { design } = await withDesign(tall, { name });
    await tall.post('/builds', { designId: design.id, version: 1, copies: 1 }).expect(201);
    const papers: string[] = [];
    for (const paper of ['build-sheet', 'template', 'labels', 'wanted'] as const) {
      const r = await tall
        .get(`/designs/${design.id}/${paper}.pdf?paper=A4${paper === 'wanted' ? '&copies=20' : ''}`)
        .buffer(true)
        .parse((res, done) => {
          const parts: Buffer[] = [];
          res.on('data', (c: Buffer) => parts.push(c));
          res.on('end', () => done(null, Buffer.concat(parts)));
        })
        .expect(200);
      const file = join(folder, `${paper}.pdf`);
      writeFileSync(file, r.body as Buffer);
      papers.push(file);
      const text = execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' });
      const squeezed = (t: string): string => t.normalize('NFC').replace(/\s+/g, '').replace('🚤', 'U+1F6A4');
      // A label may cut a long name off; it never leaves a letter out of what it shows.
      const shown = paper === 'labels' ? squeezed(name).slice(0, 14) : squeezed(name);
      expect([paper, squeezed(text).includes(shown)]).toEqual([paper, true]);
      // Nothing runs over the right margin: no word ends beyond the page less 5 mm (210 mm are 595 points).
      const boxes = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
      const right = Math.max(...[...boxes.matchAll(/xMax="([\d.]+)"/g)].map((m) => Number(m[1])));
      expect([paper, right < 595 - 14]).toEqual([paper, true]);
    }
    await tall.close();
  });
});

describe('what is true to size, and what is not', () => {
  const textOf = async (path: string): Promise<string> => (await pdfText(desk, path)).replace(/\s+/g, ' ');
  it('the tube on a family’s page is the tube of the rule, with a bar beside it; the other picture says it is not', async () => {
    const page = pixels(await fetchFile(`/designs/${id}/family-check.pdf?paper=A4`));
    // 16 CFR 1501.4, figure 1: a cylinder of 1.25 in (31.7 mm), 1 to 2.25 in (25.4 to 57.1 mm) deep.
    const rows = Array.from({ length: page.height }, (_, y) => {
      const xs = Array.from({ length: 400 }, (_, i) => i + 100).filter((x) => page.dark(x, y));
      return xs.length === 0 ? 0 : xs.at(-1)! - xs[0]!;
    });
    // As wide as that over some fifty rows about its middle, which no line of words is.
    const streaks = rows.map((_, y) => rows.slice(y, y + 45));
    expect(streaks.some((s) => s.length === 45 && s.every((w) => Math.abs(w - 317) <= 6))).toBe(true);
    const text = await textOf(`/designs/${id}/family-check.pdf`);
    expect(text).toContain('50 mm on paper. If not, print again at 100 %.');
    expect(text.match(/Not to scale\./g)).toHaveLength(1);
    expect(text).toContain('page 1 of 1');
  });
  it('every other drawing says which it is', async () => {
    const sheet = await textOf(`/designs/${id}/build-sheet.pdf?paper=A4&copies=1`);
    expect(sheet).toMatch(/50 mm on paper|Not to scale\. Cut from the template/);
    expect(await textOf(`/designs/${id}/picture-sheet.pdf`)).toContain('Pictures are not to scale.');
    expect(await textOf(`/designs/${id}/count-card.pdf`)).toContain('Pictures are not to scale.');
    expect(await textOf(`/designs/${id}/donors.pdf`)).toContain('Not to scale.');
  });
  it('in a place of inches the bar is two inches, and so is all that is said', async () => {
    const { today: _, ...place } = (await desk.get('/place').expect(200)).body as { today: string };
    const { body } = await desk.put('/place', { ...place, lengthUnit: 'in' });
    expect(body).toMatchObject({ lengthUnit: 'in' });
    const page = pixels(await fetchFile(`/designs/${id}/template.pdf?paper=Letter`));
    const bar = Math.max(...Array.from({ length: 250 }, (_, k) => longestRun(page, page.height - 320 + k)));
    expect(Math.abs(bar - 508)).toBeLessThanOrEqual(5);
    for (const paper of ['template', 'build-sheet', 'family-check', 'donors', 'wanted']) {
      const text = await textOf(`/designs/${id}/${paper}.pdf`);
      expect([paper, text.match(/\d mm\b/g)]).toEqual([paper, null]);
    }
    expect(await textOf(`/designs/${id}/template.pdf`)).toContain('2 inches on paper.');
  });
});
