// Runs tests whole that `npm test` runs in part.
import { run } from '../lib.mjs';

export const whole = (...files) =>
  run(process.execPath, ['node_modules/jest/bin/jest.js', ...files], {
    env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules', FOX_WHOLE: '1' },
  });
