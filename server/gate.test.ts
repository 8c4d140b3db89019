import { Gate } from './gate.ts';

it('lets those inside end, keeps others waiting while it is shut, and opens whatever came of it', async () => {
  const gate = new Gate();
  const leave = await gate.enter();
  const order: string[] = [];
  const shut = gate.whileShut(0, async () => {
    order.push('exchanged');
    throw new Error('broke');
  });
  const late = gate.enter().then((go) => {
    order.push('late');
    go();
  });
  setTimeout(() => {
    order.push('left');
    leave();
  }, 10);
  await expect(shut).rejects.toThrow('broke');
  await late;
  expect(order).toEqual(['left', 'exchanged', 'late']);
  // Twice told is once gone.
  leave();
  (await gate.enter())();
  await gate.whileShut(0, () => Promise.resolve());
});

it('does not wait for whoever asked for it, nor for ever for the others', async () => {
  const gate = new Gate();
  await gate.enter();
  await gate.whileShut(1, () => Promise.resolve());
  await gate.enter();
  const from = Date.now();
  await gate.whileShut(1, () => Promise.resolve());
  expect(Date.now() - from).toBeGreaterThan(1000);
});
