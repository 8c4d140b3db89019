import { startTest, type TestDesk } from './testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

it('is well while the place can be read', async () => {
  expect((await desk.get('/health').expect(200)).body).toEqual({ ok: true });
});

it('says that everybody waits while something holds the file, and is well again after it', async () => {
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  const writing = desk.serverContext.inTransaction(() => held);
  const { body, headers } = await desk.get('/health').expect(503);
  expect((body as { detail: string }).detail).toMatch(/has not answered for 2 s/);
  expect(Number(headers['retry-after'])).toBeGreaterThan(0);
  letGo();
  await writing;
  await desk.get('/health').expect(200);
});
