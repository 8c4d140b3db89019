import { FairLane } from './fairLane.ts';

const soon = (): Promise<void> => new Promise((go) => setTimeout(go, 5));

/** A lane of one place, and what was done in it in order. */
function lane(limits: Partial<ConstructorParameters<typeof FairLane>[0]> = {}) {
  const done: string[] = [];
  const l = new FairLane({ atOnce: 1, ...limits });
  const ask = (asker: string, what: string, signal?: AbortSignal): Promise<void> =>
    l.run(asker, signal, async () => {
      await soon();
      done.push(what);
    });
  return { ask, done };
}

it('takes askers in turn: one question is not behind sixty of somebody else', async () => {
  const { ask, done } = lane();
  const all = [1, 2, 3, 4, 5, 6].map((n) => ask('many', `many ${n}`));
  all.push(ask('one', 'one'), ask('two', 'two 1'), ask('two', 'two 2'));
  await Promise.all(all);
  expect(done.slice(0, 6)).toEqual(['many 1', 'many 2', 'one', 'two 1', 'many 3', 'two 2']);
  expect(done).toHaveLength(9);
});

it('tells one asker too many, and everybody where all have too many, what was not begun', async () => {
  const { ask } = lane({ mostOfOne: 2, mostWaiting: 3 });
  const kept = [ask('a', '1'), ask('a', '2'), ask('a', '3')];
  await expect(ask('a', '4')).rejects.toMatchObject({ status: 429 });
  kept.push(ask('b', '5'));
  await expect(ask('c', '6')).rejects.toMatchObject({ status: 503 });
  await Promise.all(kept);
  // Room again.
  await ask('c', '7');
});

it('does not begin what somebody left, nor what has waited too long', async () => {
  const { ask, done } = lane({ patience: 60 });
  const gone = new AbortController();
  const first = ask('a', 'first');
  const left = ask('b', 'left', gone.signal);
  gone.abort();
  await expect(left).rejects.toMatchObject({ status: 503, message: expect.stringMatching(/hung up/) });
  await first;
  await expect(ask('c', 'never', gone.signal)).rejects.toMatchObject({ status: 503 });
  const slow = new FairLane({ atOnce: 1, patience: 20 });
  let end = (): void => {};
  const holding = slow.run('a', undefined, () => new Promise<void>((go) => (end = go)));
  await expect(slow.run('b', undefined, soon)).rejects.toMatchObject({
    status: 503,
    message: expect.stringMatching(/waited/),
  });
  end();
  await holding;
  expect(await slow.run('b', undefined, async () => 'after')).toBe('after');
  expect(done).toEqual(['first']);
});

it('gives its place back when the work fails', async () => {
  const l = new FairLane({ atOnce: 1 });
  await expect(l.run('a', undefined, () => Promise.reject(new Error('broke')))).rejects.toThrow('broke');
  expect(await l.run('a', undefined, async () => 1)).toBe(1);
});
