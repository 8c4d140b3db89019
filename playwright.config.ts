import { readFileSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const { args } = JSON.parse(readFileSync('scripts/chromium.json', 'utf8')) as { args: string[] };

/** A whole term, and every station and family opened. */
const LONG = /(term|stations|patterns)\.spec\.ts$/;

export default defineConfig({
  testDir: 'e2e',
  // A busy machine has taken ten seconds for one page: a slow answer is not a wrong one, and only what hangs is ended.
  timeout: 900_000,
  expect: { timeout: 90_000 },
  globalSetup: './e2e/fillOnce.ts',
  workers: 2,
  fullyParallel: true,
  retries: 0,
  forbidOnly: true,
  reporter: process.env.FOX_E2E_REPORT
    ? [['list'], ['json', { outputFile: process.env.FOX_E2E_REPORT }]]
    : [['list']],
  // The long ones first: whichever ends last ends the run, and should not be begun last.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'short', testIgnore: LONG },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args },
    trace: 'off',
    contextOptions: { reducedMotion: 'reduce' },
  },
});
