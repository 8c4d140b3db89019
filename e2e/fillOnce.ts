import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Fills the Kelpwick cart once; each test works on a copy of it. */
export default function fillOnce(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'fox-e2e-cart-'));
  const filled = spawnSync(process.execPath, ['dist/server/fill-demo.js'], {
    env: { ...process.env, FOX_DATA: folder, FOX_TODAY: '2026-11-24' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (filled.status !== 0) throw new Error('the demo cart could not be filled');
  process.env.FOX_E2E_CART = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
