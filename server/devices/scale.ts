import { Router } from 'express';
import { z } from 'zod';
import { Doors } from '../people/door.ts';

/** Readings a second. */
const RATE = 10;
/** How long it is pulled, and from when, s. */
const [REST, RAMP, HOLD, AFTER] = [1, 2, 12, 2] as const;

const scaleQuery = z.object({
  /** What it is pulled to, N. */
  to: z.coerce
    .number({ error: 'expected N' })
    .min(1, 'must be at least 1 N')
    .max(1000, 'must be at most 1,000 N')
    .default(95),
  /** After so many seconds the connection drops once; 0 for never. */
  drop: z.coerce
    .number({ error: 'expected seconds' })
    .min(0, 'must not be negative')
    .max(30, 'must be at most 30 s')
    .default(0),
  /** Seed of its noise. */
  seed: z.coerce
    .number({ error: 'expected a whole number' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(1_000_000, 'must be at most 1,000,000')
    .default(1),
  /** How many times as fast as a hand pulls: for trying it out. */
  speed: z.coerce
    .number({ error: 'expected a number' })
    .min(1, 'must be at least 1')
    .max(50, 'must be at most 50')
    .default(1),
});

/** Park and Miller's generator, 0 to 1: the same pull for the same seed. */
const chance = (seed: number) => {
  let state = seed;
  return (): number => (state = (state * 48271) % 2147483647) / 2147483647;
};

/** What a luggage scale shows of one pull: it drifts from its zero, trembles, and is let go at the end. s and N. */
export function simulatedPull(to: number, seed: number): { at: number; force: number }[] {
  const random = chance(seed);
  const zero = 3 * random();
  const total = REST + RAMP + HOLD + AFTER;
  return Array.from({ length: total * RATE }, (_, i) => {
    const at = i / RATE;
    const share = Math.min(1, Math.max(0, (at - REST) / RAMP)) * (at > REST + RAMP + HOLD ? 0 : 1);
    const tremble = share * (random() - 0.5) * 4 + (random() - 0.5) * 0.4;
    return { at, force: Math.round((zero + 0.04 * at + share * to + tremble) * 10) / 10 + 0 };
  });
}

/**
 * A simulated luggage scale that streams its readings as server-sent events, with noise, drift and, where it is asked for,
 * a connection that drops. A real scale with a serial line takes its place behind the same door.
 */
export function scaleRoutes(): Router {
  const r = new Doors();
  r.get(
    '/scale',
    {
      about: 'the simulated scale as server-sent events: `{at, force}`, s and N; `done` at the end',
      query: scaleQuery,
      seconds: null,
    },
    ({ res, query: { to, drop, seed, speed } }) => {
      const readings = simulatedPull(to, seed);
      res.writeHead(200, {
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store',
        'X-Accel-Buffering': 'no',
      });
      let i = 0;
      const timer = setInterval(
        () => {
          const reading = readings[i++];
          if (!reading || (drop > 0 && reading.at >= drop)) {
            clearInterval(timer);
            if (!reading) res.write('event: done\ndata: {}\n\n');
            res.end();
            return;
          }
          res.write(`data: ${JSON.stringify(reading)}\n\n`);
          (res as { flush?: () => void }).flush?.();
        },
        1000 / (RATE * speed),
      );
      res.on('close', () => clearInterval(timer));
    },
  );
  return r.router;
}
