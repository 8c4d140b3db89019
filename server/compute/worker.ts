import { setPriority } from 'node:os';

// Where every core is busy, the desk's answer goes before a computation, and before the reading of what computes: so this
// is said first, and the rest is read after it. Linux gives each thread a priority of its own; elsewhere it would be the
// whole server's. A place that may not set it goes on without.
if (process.platform === 'linux') {
  try {
    setPriority(10);
  } catch {
    // Refused by the machine's rules: the work is done all the same.
  }
}

const { run } = await import('./jobRun.ts');
export default run;
