// npm run hold [races|kills|lists|queue|materials]: what the lending desk is held to, over many tries; takes an hour or so in all.
// TRIES=10000 and KILLS=500 unless said otherwise. Ends with an error where anything did not hold.
import { ensureBuild, ensurePackages } from './lib.mjs';

ensurePackages();
ensureBuild();
const asked = process.argv.slice(2);
const all = ['races', 'kills', 'lists', 'queue', 'materials'];
const odd = asked.find((name) => !all.includes(name));
if (odd) throw new Error(`“${odd}” is not known; expected some of ${all.join(', ')}`);
for (const name of asked.length > 0 ? asked : all) await (await import(`./hold/${name}.mjs`)).hold();
