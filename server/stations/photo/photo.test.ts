import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import sharp from 'sharp';
import type { PhotoAnswer, PhotoCountAnswer } from '../../../contract/photo.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

const example = (n: number): Buffer =>
  readFileSync(join(import.meta.dirname, `../../../web/public/examples/sheet-${n}.jpg`));
/** What lies in the second example, as the ray tracer was told: longer and shorter side, height, place, mm. */
const TRUTH = [
  ['egg', 60, 42, 42, 160.09, 116.23],
  ['disc', 38, 38, 14, 209.07, 173.95],
  ['ring', 50, 50, 12, 187.33, 52.21],
  ['disc', 68, 68, 12, 56.83, 128.65],
  ['square', 16, 16, 16, 107.12, 181.48],
  ['square', 20, 20, 20, 139.05, 28.34],
  ['disc', 24, 24, 10, 271.57, 75.18],
  ['egg', 60, 42, 42, 239.39, 114.98],
  ['egg', 60, 42, 42, 77.49, 43.16],
] as const;

let desk: TestDesk;
beforeAll(async () => void (desk = await startTest()));
afterAll(() => desk.close());
const send = (path: string, bytes: Buffer, type = 'image/jpeg') =>
  request(desk.app).post(`/api/photo/${path}`).set('content-type', type).send(bytes);

describe('a photo measured', () => {
  it('gives every thing its form, place and size to a fraction of a millimetre, and the camera', async () => {
    const { body } = (await send('measure', example(2)).expect(200)) as { body: PhotoAnswer };
    expect(body.sheet).toEqual({ paper: 'A4', marks: [1, 2, 3, 4], scale: 1 });
    expect(Math.abs(body.camera.above - 420)).toBeLessThan(3);
    expect(Math.abs(body.camera.tilt - 18)).toBeLessThan(0.3);
    expect(body.things).toHaveLength(TRUTH.length);
    for (const [form, long, short, height, x, y] of TRUTH) {
      const t = body.things.find((s) => Math.hypot(s.x - x, s.y - y) < 3)!;
      // Without its height a block that is partly hidden may look a little longer than it is broad.
      expect(t.form).toMatch(form === 'square' ? /^(square|rectangle)$/ : new RegExp(`^${form}$`));
      expect(Math.abs(t.long - long)).toBeLessThan(0.9);
      expect(Math.abs(t.short - short)).toBeLessThan(0.9);
      expect(Math.abs(t.height! - height)).toBeLessThan(5);
      expect(Math.hypot(t.x - x, t.y - y)).toBeLessThan(1.5);
      expect(t.uncertainty).toBeGreaterThan(0.02);
      expect(t.uncertainty).toBeLessThan(0.6);
    }
    const ring = body.things.find((t) => t.form === 'ring')!;
    expect(Math.abs(ring.holes[0]!.long - 38)).toBeLessThan(0.8);
  });
  it('sets right what stands as high as was said', async () => {
    const { body } = (await send('measure?height=14', example(2)).expect(200)) as { body: PhotoAnswer };
    const cap = body.things.find((t) => Math.hypot(t.x - 209, t.y - 174) < 3)!;
    expect(cap).toMatchObject({ form: 'disc', height: 14, heightFrom: 'given' });
    expect(Math.abs(cap.long - 38)).toBeLessThan(0.6);
  });
  it('is scaled by what the printed bar measures', async () => {
    const at = async (query: string): Promise<number> =>
      ((await send(`measure${query}`, example(2)).expect(200)) as { body: PhotoAnswer }).body.things.find(
        (t) => t.form === 'ring',
      )!.long;
    expect((await at('?bar=97')) / (await at(''))).toBeCloseTo(0.97, 3);
  });
  it('does with three marks of four, and says which it did without', async () => {
    const { width, height } = await sharp(example(2)).metadata();
    const { body: whole } = (await send('measure', example(2)).expect(200)) as { body: PhotoAnswer };
    // A hand over one corner of the picture.
    const hidden = await sharp(example(2))
      .composite([
        {
          input: { create: { width: 420, height: 420, channels: 3, background: '#6b4a3a' } },
          left: width - 520,
          top: height - 480,
        },
      ])
      .jpeg()
      .toBuffer();
    const { body } = (await send('measure', hidden)) as { body: PhotoAnswer };
    if (body.sheet && body.sheet.marks.length === 3) {
      expect(body.warnings.join(' ')).toMatch(/corner was not read/);
      expect(Math.abs(body.camera.above - whole.camera.above)).toBeLessThan(3);
    } else expect(body).toHaveProperty('things');
  });
});

describe('a photo that cannot be measured is refused with what to do', () => {
  const plain = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#8899aa' } });
  it.each([
    ['no picture', async () => Buffer.from('hello'), /JPEG or a PNG/],
    ['half a picture', async () => example(1).subarray(0, 20_000), /JPEG or a PNG/],
    ['no sheet', async () => plain(1200, 900).jpeg().toBuffer(), /No measuring sheet/],
    ['too small', async () => plain(200, 200).jpeg().toBuffer(), /too small/],
    ['100 megapixels', async () => plain(10_000, 10_000).png().toBuffer(), /million pixels/],
    [
      'half a sheet',
      async () => sharp(example(1)).extract({ left: 0, top: 0, width: 900, height: 1500 }).jpeg().toBuffer(),
      /at least three/,
    ],
    ['blurred', async () => sharp(example(1)).blur(9).jpeg().toBuffer(), /No measuring sheet|blurred|three/],
    ['dark', async () => sharp(example(1)).linear(0.08).jpeg().toBuffer(), /dark|No measuring|three|most/],
  ])('%s', async (_, photo, words) => {
    const { body } = await send('measure', await photo(), 'image/png').expect(422);
    expect(body).toMatchObject({ detail: expect.stringMatching(words), errors: [{ path: 'photo' }] });
  });
  it('and what is no photo by its type, or over the limit, before it is read', async () => {
    await send('measure', Buffer.from('x'), 'image/gif').expect(415);
    await send('measure?height=900', example(1)).expect(400);
    await send('measure?height=9&heights=auto', example(1)).expect(400);
    await send('count?kit=99', example(1)).expect(404);
  });
});

it('counts the pieces of a kit, and what is none of it', async () => {
  const { design } = await withDesign(desk);
  const built = (
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201)
  ).body as { kits: { id: number; label: string }[] };
  const kit = built.kits[0]!;
  const { body } = (await send(`count?kit=${kit.id}`, example(1)).expect(200)) as { body: PhotoCountAnswer };
  expect(body.kit).toBe(kit.label);
  // Two caps of 38 mm lie there, and the other twelve things are not of this kit.
  expect(body.parts.find((p) => p.name === 'Cap')!.seen).toBe(2);
  expect(body.parts.find((p) => p.name === 'Tub')!.seen).toBe(0);
  expect(body.measured.things).toHaveLength(14);
  expect(body.strangers).toHaveLength(12);
});

it.each([
  ['A4', '841.89 x 595.28'],
  ['Letter', '792 x 612'],
  ['A3', '1190.55 x 841.89'],
])('the sheet is %s on its long side', async (paper, size) => {
  const { body } = (await desk.get(`/photo/sheet.pdf?paper=${paper}`).responseType('blob').expect(200)) as {
    body: Buffer;
  };
  const folder = mkdtempSync(join(tmpdir(), 'sheet-'));
  try {
    const file = join(folder, 'sheet.pdf');
    writeFileSync(file, body);
    const told = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
    const [w, h] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(told)!.slice(1).map(Number) as [number, number];
    const [x, y] = size.split(' x ').map(Number) as [number, number];
    expect(Math.hypot(w - x, h - y)).toBeLessThan(0.1);
    expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toMatch(/Print at 100 %/);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
