// Every role of every pattern with every material of the catalogue, at every age from 6 to 72 months: what a text stops is
// stopped, and everything in a bill has its account. npm test looks at a seeded tenth of it.
import { run } from '../lib.mjs';

export async function hold() {
  run(process.execPath, ['node_modules/jest/bin/jest.js', 'core/safety/everyMaterial'], {
    env: { ...process.env, FOX_WHOLE: '1', NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  });
}
