// npm run stress [kills|restores|races|lists|queue|materials|hostile|outside|roles|fuzz|erasing|disk]: whether anything
// acknowledged is lost and whether anybody has to wait, over many tries, in places of its own; takes an hour or two in all,
// each part by its name less. KILLS=500, RESTORES=20, TRIES=10000 and REQUESTS=20000 unless said otherwise. Ends with an
// error where anything did not hold.
import { ensureBuild, ensurePackages } from './lib.mjs';

ensurePackages();
ensureBuild();
process.env.WRITERS ??= '10';
const PARTS = {
  kills: () => import('./stress/kills.mjs'),
  restores: () => import('./stress/restores.mjs'),
  races: () => import('./stress/races.mjs'),
  lists: () => import('./stress/lists.mjs'),
  queue: () => import('./stress/queue.mjs'),
  materials: () => import('./stress/materials.mjs'),
  hostile: () => import('./stress/hostile.mjs'),
  outside: () => import('./stress/outside.mjs'),
  roles: () => import('./stress/roles.mjs'),
  fuzz: () => import('./stress/fuzz.mjs'),
  erasing: () => import('./stress/erasing.mjs'),
  disk: () => import('./stress/disk.mjs'),
};
const asked = process.argv.slice(2);
const odd = asked.find((name) => !(name in PARTS));
if (odd) throw new Error(`“${odd}” is not known; expected some of ${Object.keys(PARTS).join(', ')}`);
const failed = [];
for (const name of asked.length > 0 ? asked : Object.keys(PARTS)) {
  try {
    await (await PARTS[name]()).hold();
  } catch (error) {
    console.error(`${name}: ${error.message}`);
    failed.push(name);
  }
}
if (failed.length > 0) {
  console.error(`Did not hold: ${failed.join(', ')}`);
  process.exit(1);
}
process.exit(0);
