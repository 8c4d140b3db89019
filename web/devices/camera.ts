import { readLabel } from '../../core/lend/labels.ts';
import { text } from './text.ts';

/** Longest side that codes are looked for in, px: enough for a label that fills a quarter of the picture. */
const LARGEST = 1280;

let reader: Promise<typeof import('zxing-wasm/reader')> | null = null;

/** The reader of codes, loaded when a camera is first used, from this server and nowhere else. */
function loadReader(): Promise<typeof import('zxing-wasm/reader')> {
  reader ??= Promise.all([
    import('zxing-wasm/reader'),
    import('zxing-wasm/reader/zxing_reader.wasm?url'),
  ]).then(([zxing, wasm]) => {
    zxing.prepareZXingModule({ overrides: { locateFile: () => wasm.default } });
    return zxing;
  });
  // A server that was away for a moment is asked again.
  reader.catch(() => (reader = null));
  return reader;
}

/**
 * The label in a picture: of the first QR or Code 128 that reads as one.
 *
 * @returns null where there is none; `code` is what was read instead, if anything
 */
export async function labelIn(
  picture: Blob | ImageData,
): Promise<{ readonly label: string | null; readonly code: string | null }> {
  const { readBarcodes } = await loadReader();
  const found = await readBarcodes(picture, {
    formats: ['QRCode', 'Code128'],
    tryHarder: true,
    maxNumberOfSymbols: 8,
  });
  const texts = found.filter((f) => f.isValid).map((f) => f.text);
  return {
    label: texts.map(readLabel).find((l) => l !== null) ?? null,
    code: texts[0] ?? null,
  };
}

/** A frame of a video as it is now; null while there is none. */
export function frameOf(video: HTMLVideoElement, canvas: HTMLCanvasElement): ImageData | null {
  const { videoWidth: width, videoHeight: height } = video;
  if (width === 0 || height === 0) return null;
  const scale = Math.min(1, LARGEST / Math.max(width, height));
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(video, 0, 0, canvas.width, canvas.height);
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

/** Why there is no moving picture, in words. */
export function cameraProblem(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError') return text('thisBrowserWasTold');
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return text('thereNoCameraOn');
  if (name === 'NotReadableError') return text('programUsingCamera');
  return text('cameraCannotOpenedHere');
}
