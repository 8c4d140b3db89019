import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import sharp from 'sharp';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import { measureHand, measurePhoto, type MeasureOptions } from '../../../core/photo/measure.ts';
import type { SeenCode } from '../../../core/photo/findSheet.ts';
import type { Photo } from '../../../core/photo/photo.ts';
import { HAND_REFUSAL_WORDS, REFUSAL_WORDS, warningWords } from '../../../core/photo/words.ts';
import type { HandAnswer, PhotoAnswer } from '../../../contract/photo.ts';
import type { Vec2 } from '../../../core/geometry/vector.ts';
import { ProblemError } from '../../problemError.ts';

/** A photo to be measured in a worker. */
export interface PhotoJob {
  readonly kind: 'photo';
  readonly bytes: Uint8Array;
  /** What lies on the sheet: things, or a hand. */
  readonly what:
    | { readonly of: 'things'; readonly options: MeasureOptions }
    | { readonly of: 'hand'; readonly bar: number | undefined };
}

/** Largest picture that is opened, pixels: phones take up to 50 million. */
const MOST_PIXELS = 64_000_000;
/** What is larger is made smaller first: more pixels than these tell nothing more of a sheet. */
const USED_PIXELS = 12_600_000;
/** Shorter sides than this show no mark. */
const LEAST_SIDE = 480;

const refused = (message: string, expected: string): ProblemError =>
  new ProblemError(422, message, [{ path: 'photo', message: expected }]);

// One photo at a time in a worker of its own: nothing is kept for a next one.
sharp.cache(false);
sharp.concurrency(1);

let isReady = false;
/** The reader of codes, from the file that ships: it would fetch it from afar by itself. */
async function readyReader(): Promise<void> {
  if (isReady) return;
  const at = createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm');
  const wasm = await readFile(at);
  const wasmBinary = wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.byteLength);
  prepareZXingModule({ overrides: { wasmBinary } });
  isReady = true;
}

/** The picture upright, without what else its file says. */
async function opened(bytes: Uint8Array): Promise<Photo> {
  const unreadable = (): ProblemError =>
    refused(
      'This file is no photo that can be read: take a JPEG or a PNG.',
      'expected a JPEG or PNG picture',
    );
  const head = await sharp(bytes, { limitInputPixels: false, failOn: 'error' })
    .metadata()
    .catch(() => {
      throw unreadable();
    });
  if (head.format !== 'jpeg' && head.format !== 'png') throw unreadable();
  if (head.width * head.height > MOST_PIXELS || (head.pages ?? 1) > 1)
    throw refused(
      `The photo has ${Math.round((head.width * head.height) / 1e6)} million pixels: take it smaller.`,
      `expected at most ${MOST_PIXELS / 1e6} million pixels`,
    );
  if (Math.min(head.width, head.height) < LEAST_SIDE)
    throw refused(
      'The photo is too small to measure: send it as the camera took it.',
      `expected at least ${LEAST_SIDE} pixels each way`,
    );
  const shrink = Math.min(1, Math.sqrt(USED_PIXELS / (head.width * head.height)));
  const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true })
    .autoOrient()
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb');
  const { data, info } = await (
    shrink < 1 ? picture.resize(Math.round(head.autoOrient.width * shrink)) : picture
  )
    .raw()
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw unreadable();
    });
  if (info.channels !== 3) throw unreadable();
  return { width: info.width, height: info.height, data };
}

async function codesIn(photo: Photo): Promise<SeenCode[]> {
  await readyReader();
  const { width, height, data } = photo;
  // The reader wants four bytes a pixel: they are written at once, the lowest first as on every machine this runs on.
  const pixels = new Uint32Array(width * height);
  for (let i = 0, j = 0; i < pixels.length; i++, j += 3)
    pixels[i] = data[j]! | (data[j + 1]! << 8) | (data[j + 2]! << 16) | 0xff000000;
  const rgba = new Uint8ClampedArray(pixels.buffer);
  const found = await readBarcodes(
    { data: rgba, width, height, colorSpace: 'srgb' },
    {
      formats: ['QRCode'],
      maxNumberOfSymbols: 12,
      tryHarder: true,
    },
  );
  return found
    .filter((f) => f.isValid)
    .map(({ text, position: p }) => ({
      text,
      corners: [p.topLeft, p.topRight, p.bottomRight, p.bottomLeft].map((c): Vec2 => [
        c.x,
        c.y,
      ]) as unknown as SeenCode['corners'],
    }));
}

/**
 * What a photo tells.
 *
 * @throws ProblemError 422 on `photo` where nothing can be measured in it
 */
export async function readPhoto({ bytes, what }: PhotoJob): Promise<PhotoAnswer | HandAnswer> {
  const photo = await opened(bytes);
  const codes = await codesIn(photo);
  const size = { width: photo.width, height: photo.height };
  if (what.of === 'hand') {
    const hand = measureHand(photo, codes, what.bar);
    if (typeof hand === 'string')
      throw refused(
        { ...REFUSAL_WORDS, ...HAND_REFUSAL_WORDS }[hand],
        `expected a photo of a hand on a measuring sheet; found: ${hand}`,
      );
    return { ...hand, photo: size };
  }
  const measured = measurePhoto(photo, codes, what.options);
  if (typeof measured === 'string')
    throw refused(REFUSAL_WORDS[measured], `expected a photo of a measuring sheet; found: ${measured}`);
  return {
    ...measured,
    warnings: measured.warnings.map(warningWords),
    about: measured.warnings.map((w) => ('thing' in w ? w.thing : null)),
    photo: size,
  };
}
