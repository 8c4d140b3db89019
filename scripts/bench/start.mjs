// How long a start takes to its first answer, what processor time it costs, and what memory it keeps at rest.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../lib.mjs';

const STARTS = 7;
const BUDGET = { seconds: 1.2, megabytes: 150 };
const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];
/** Ticks of user and system time, of a hundred a second, as Linux counts them. */
const cpuOf = (pid) => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
};
const memoryOf = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

export async function startBench() {
  const folder = mkdtempSync(join(tmpdir(), 'fox-start-'));
  const [times, cpu, memory] = [[], [], []];
  try {
    for (let i = 0; i <= STARTS; i++) {
      const port = await freePort();
      const from = performance.now();
      const child = spawn(process.execPath, ['dist/server/main.js'], {
        env: { ...process.env, NODE_ENV: 'production', PORT: String(port), FOX_DATA: folder },
        stdio: 'ignore',
      });
      for (;;) {
        const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
        if (answer?.ok) break;
        await new Promise((go) => setTimeout(go, 10));
      }
      const took = (performance.now() - from) / 1000;
      const cost = cpuOf(child.pid);
      await new Promise((go) => setTimeout(go, 3000));
      const rests = memoryOf(child.pid);
      const gone = new Promise((go) => child.once('exit', go));
      child.kill('SIGTERM');
      await gone;
      // The first makes the place.
      if (i === 0) continue;
      times.push(took);
      cpu.push(cost);
      memory.push(rests);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  console.log(
    `  first answer after ${median(times).toFixed(2)} s (budget ${BUDGET.seconds}), ${median(cpu).toFixed(2)} s of processor time, ${median(memory).toFixed(0)} MB at rest (budget ${BUDGET.megabytes}); medians of ${STARTS}`,
  );
}
