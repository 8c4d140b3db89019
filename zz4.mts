import { readFileSync } from 'node:fs';
import { opened, codesIn } from './server/stations/photo/readPhoto.ts';
import { measureHand } from './core/photo/measure.ts';
for (const f of process.argv.slice(2)) {
  const photo = await opened(readFileSync(f));
  const m = measureHand(photo, await codesIn(photo));
  const t = JSON.parse(readFileSync(f.replace('.jpg','.json'),'utf8'));
  if (typeof m === 'string') { console.log(f, m); continue; }
  console.log(f, 'span', m.span, t.span.toFixed(1), 'breadth', m.breadth, t.breadth.toFixed(1), Object.values(m.lengths).map((v,i)=>`${v}/${t.lengths[i].toFixed(0)}`).join(' '), '±', m.uncertainty);
}
