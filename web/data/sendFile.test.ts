import { takeUploads, Upload } from '../testing/uploads.ts';
import { sendFile } from './sendFile.ts';

const way = { type: 't', told: () => {} };
beforeEach(() => takeUploads());

it('tells how far a file has come, and gives the answer', async () => {
  const shares: number[] = [];
  const sent = sendFile('/backups/file', new Blob(['x']), {
    type: 'application/octet-stream',
    told: (s) => shares.push(s),
    headers: { 'x-passphrase': 'a' },
  });
  Upload.last.comes(40, 100);
  expect(Upload.last).toMatchObject({
    path: '/api/backups/file',
    headers: { 'content-type': 'application/octet-stream', 'x-passphrase': 'a' },
  });
  Upload.last.answer(201, '{"name":"a.db"}');
  expect(await sent).toEqual({ name: 'a.db' });
  expect(shares).toEqual([0.4]);
});

it('says what the desk said, and that the line broke', async () => {
  const refused = sendFile('/x', new Blob(['x']), way);
  Upload.last.answer(
    413,
    '{"detail":"The file is over 2 GB.","status":413,"title":"","type":"","errors":[]}',
  );
  await expect(refused).rejects.toThrow('The file is over 2 GB.');
  const broken = sendFile('/x', new Blob(['x']), way);
  Upload.last.dispatchEvent(new Event('error'));
  await expect(broken).rejects.toThrow(/The line broke/);
  const odd = sendFile('/x', new Blob(['x']), way);
  Upload.last.answer(502, '<html>');
  await expect(odd).rejects.toThrow('could not be read (502)');
});
