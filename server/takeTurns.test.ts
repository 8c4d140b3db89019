import { setTimeout as pause } from 'node:timers/promises';
import { takeTurn } from './takeTurns.ts';

test('parts of several long answers are made one after the other, in the order in which they were asked for', async () => {
  const log: string[] = [];
  const part = (name: string) =>
    takeTurn(async () => {
      log.push(`${name} begins`);
      await pause(5);
      log.push(`${name} ends`);
      return name;
    });
  expect(await Promise.all([part('a'), part('b'), part('c')])).toEqual(['a', 'b', 'c']);
  expect(log).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
});

test('what fails is told to who asked, and the next has its turn', async () => {
  const failing = takeTurn(() => Promise.reject(new Error('no such table')));
  const next = takeTurn(() => Promise.resolve('rows'));
  await expect(failing).rejects.toThrow('no such table');
  await expect(next).resolves.toBe('rows');
});

test('between two parts others are answered', async () => {
  let others = 0;
  const busy = async (): Promise<void> => {
    const until = performance.now() + 10;
    while (performance.now() < until);
  };
  let open = true;
  const asked = (async () => {
    while (open) {
      await new Promise((go) => setImmediate(go));
      others++;
    }
  })();
  for (let i = 0; i < 3; i++) await takeTurn(busy);
  await takeTurn(() => Promise.resolve());
  open = false;
  await asked;
  expect(others).toBeGreaterThanOrEqual(4);
});
