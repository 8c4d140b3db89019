import { sendLarge } from './sendLarge.ts';

/** A request that is answered by hand. */
class Line extends EventTarget {
  static last: Line;
  readonly upload = new EventTarget();
  status = 0;
  responseText = '';
  sent: unknown = null;
  constructor() {
    super();
    Line.last = this;
  }
  open(): void {}
  setRequestHeader(): void {}
  send(body: unknown): void {
    this.sent = body;
  }
  answer(status: number, text: string): void {
    this.status = status;
    this.responseText = text;
    this.dispatchEvent(new Event('load'));
  }
}
beforeEach(() => {
  globalThis.XMLHttpRequest = Line as unknown as typeof XMLHttpRequest;
});

it('tells how far a file has come, and gives the answer', async () => {
  const shares: number[] = [];
  const sent = sendLarge('/backups/file', new Blob(['x']), 'application/octet-stream', (s) => shares.push(s));
  Line.last.upload.dispatchEvent(
    Object.assign(new Event('progress'), { lengthComputable: true, loaded: 40, total: 100 }),
  );
  Line.last.answer(201, '{"name":"a.db"}');
  expect(await sent).toEqual({ name: 'a.db' });
  expect(shares).toEqual([0.4]);
});

it('says what the desk said, and that the line broke', async () => {
  const refused = sendLarge('/x', new Blob(['x']), 't', () => {});
  Line.last.answer(413, '{"detail":"The file is over 2 GB.","status":413,"title":"","type":"","errors":[]}');
  await expect(refused).rejects.toThrow('The file is over 2 GB.');
  const broken = sendLarge('/x', new Blob(['x']), 't', () => {});
  Line.last.dispatchEvent(new Event('error'));
  await expect(broken).rejects.toThrow(/The line broke/);
  const odd = sendLarge('/x', new Blob(['x']), 't', () => {});
  Line.last.answer(502, '<html>');
  await expect(odd).rejects.toThrow('could not be read (502)');
});
