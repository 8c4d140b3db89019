import express from 'express';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { endsStalled } from './stall.ts';

/** A server that answers with how much came, and a line to it that brings a body piece by piece. */
async function asked(
  pieces: readonly { readonly after: number; readonly bytes: number }[],
  length: number,
  readAfter = 0,
) {
  const app = express();
  app.use(endsStalled(300));
  app.post('/', async (req, res) => {
    let bytes = 0;
    if (readAfter > 0) await new Promise((go) => setTimeout(go, readAfter));
    try {
      for await (const chunk of req) bytes += (chunk as Buffer).length;
    } catch {
      return;
    }
    res.json({ bytes });
  });
  const server = app.listen(0, '127.0.0.1');
  await new Promise((go) => server.once('listening', go));
  const line = connect((server.address() as AddressInfo).port, '127.0.0.1');
  let said = '';
  line.on('data', (d) => (said += d.toString()));
  line.on('error', () => {});
  const closed = new Promise((go) => line.once('close', go));
  line.write(`POST / HTTP/1.1\r\nhost: x\r\nconnection: close\r\ncontent-length: ${length}\r\n\r\n`);
  for (const { after, bytes } of pieces) {
    await new Promise((go) => setTimeout(go, after));
    line.write('x'.repeat(bytes));
  }
  await closed;
  server.close();
  return said;
}

it('a body that comes slowly is let come in, however long it takes', async () => {
  const pieces = Array.from({ length: 8 }, () => ({ after: 100, bytes: 10 }));
  expect(await asked(pieces, 80)).toMatch(/^HTTP\/1\.1 200[^]*\{"bytes":80\}/);
});

it('a body that has come whole is waited for by nobody, however late it is read', async () => {
  const said = await asked([{ after: 10, bytes: 80 }], 80, 700);
  expect(said).toMatch(/^HTTP\/1\.1 200[^]*\{"bytes":80\}/);
});

it('a body that has stopped coming is told so in words', async () => {
  const said = await asked([{ after: 10, bytes: 10 }], 80);
  expect(said).toMatch(/^HTTP\/1\.1 408/);
  expect(said).toMatch(/Nothing came for 0\.3 s/);
});
