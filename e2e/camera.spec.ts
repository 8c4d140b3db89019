import { toBuffer } from 'bwip-js/node';
import { expect, test } from './desk.ts';

/** A label's code as printed, on white, as a data URL for the page and bytes for a photo. */
const code = async (bcid: 'qrcode' | 'code128', text: string): Promise<Buffer> =>
  toBuffer({
    bcid,
    text,
    scale: 4,
    ...(bcid === 'code128' ? { height: 12 } : {}),
    padding: 14,
    backgroundcolor: 'FFFFFF',
  });

test('the camera of a phone reads either code of a label, with no other machine asked', async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const asked: string[] = [];
  page.on('request', (r) => asked.push(new URL(r.url()).host));
  for (const [bcid, label] of [
    ['qrcode', 'FB-001b'],
    ['code128', 'FB-005a'],
  ] as const) {
    const picture = `data:image/png;base64,${(await code(bcid, label)).toString('base64')}`;
    // A camera that sees the label a little turned, on a desk; the stream itself is the browser's own.
    await page.addInitScript((src) => {
      navigator.mediaDevices.getUserMedia = async () => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [960, 720];
        const image = new Image();
        image.src = src;
        await image.decode();
        const draw = (): void => {
          const c = canvas.getContext('2d')!;
          c.setTransform(1, 0, 0, 1, 0, 0);
          c.fillStyle = '#9a8a70';
          c.fillRect(0, 0, 960, 720);
          c.translate(480, 360);
          c.rotate(0.12);
          c.drawImage(image, -image.width / 2, -image.height / 2);
        };
        draw();
        setInterval(draw, 50);
        return canvas.captureStream(20);
      };
    }, picture);
    await page.goto(`${demo.url}/lend`);
    await page.getByRole('button', { name: 'Scan with the camera' }).click();
    await expect(page).toHaveURL(new RegExp(`kit=${label}`));
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  expect(new Set(asked)).toEqual(new Set([new URL(demo.url).host]));
  await page.close();
});

test('without a camera a photo of the label does; what is no label is said', async ({ page, demo }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = async () => {
      throw new DOMException('none', 'NotFoundError');
    };
  });
  await page.goto(`${demo.url}/lend`);
  await page.getByRole('button', { name: 'Scan with the camera' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('There is no camera on this device.')).toBeVisible();
  const show = async (buffer: Buffer): Promise<void> =>
    page.getByLabel('Photo of a label').setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer });
  await show(await code('qrcode', 'https://quay.example'));
  await expect(dialog.getByRole('status').last()).toHaveText('“https://quay.example” is no label of a kit.');
  await show(Buffer.from('no picture'));
  await expect(dialog.getByRole('status').last()).toHaveText(
    'No label was found in the photo. Come nearer, in good light.',
  );
  await show(await code('code128', 'FB-003a'));
  await expect(page).toHaveURL(/kit=FB-003a/);
});
