// Four desks lend one kit at the same moment: one has it, the others are told who, every time.
import { join } from 'node:path';
import Database from 'libsql';
import { dueOn, FILE, newPlace, openServer, post } from './place.mjs';

const TRIES = Number(process.env.TRIES ?? 10_000);
const DESKS = 4;
/** Kits that are raced for at one time. */
const ABREAST = 6;

export async function hold() {
  const folder = newPlace(Math.ceil(TRIES * 1.2) + 100);
  const db = new Database(join(folder, FILE));
  const free = db
    .prepare(
      "select id from kit where label like 'FB-9%' and id not in (select kit_id from loan where returned_on is null) order by id limit ?",
    )
    .all(TRIES)
    .map((c) => c.id);
  const families = db
    .prepare('select id from borrower order by id')
    .all()
    .map((b) => b.id);
  db.close();
  if (free.length < TRIES) throw new Error(`only ${free.length} kits are free for ${TRIES} tries`);
  const server = await openServer(folder);
  const due = dueOn();
  let [doubled, untold, odd] = [0, 0, 0];
  const others = new Map();
  const began = performance.now();
  const race = async (kitId, i) => {
    const answers = await Promise.all(
      Array.from({ length: DESKS }, (_, k) =>
        post(server.url, '/loans', {
          kitId,
          borrowerId: families[(i + k) % families.length],
          dueOn: due,
          // Some designs the check stops for some of the families: that is no race.
          override: { by: 'Keeper', why: 'a race of desks' },
        }).then(async (r) => ({ status: r.status, body: await r.json() })),
      ),
    );
    const won = answers.filter((a) => a.status === 201);
    const lost = answers.filter((a) => a.status === 409);
    if (won.length !== 1) doubled++;
    if (won.length + lost.length !== DESKS) odd++;
    for (const a of answers)
      if (a.status !== 201 && a.status !== 409)
        others.set(`${a.status} ${a.body.detail}`, (others.get(`${a.status} ${a.body.detail}`) ?? 0) + 1);
    if (lost.some((a) => !/ is with .+ until /.test(a.body.detail))) untold++;
  };
  const queue = free.map((id, i) => [id, i]);
  await Promise.all(
    Array.from({ length: ABREAST }, async () => {
      for (let next = queue.pop(); next; next = queue.pop()) await race(...next);
    }),
  );
  await server.stop();
  const after = new Database(join(folder, FILE), { readonly: true });
  const [{ n: twice }] = after
    .prepare(
      'select count(*) as n from (select kit_id from loan where returned_on is null group by kit_id having count(*) > 1)',
    )
    .all();
  const [{ n: lent }] = after
    .prepare(
      'select count(*) as n from loan where returned_on is null and kit_id in (select value from json_each(?))',
    )
    .all(JSON.stringify(free));
  after.close();
  console.log(
    `Races: ${TRIES} kits, ${DESKS} desks each, ${((performance.now() - began) / 1000).toFixed(0)} s: ${doubled} not lent just once, ${odd} answers that were neither, ${untold} losers not told who has it; in the file ${lent} lent, ${twice} twice`,
  );
  for (const [words, n] of others) console.log(`  ${n} × ${words}`);
  if (doubled + odd + untold + twice > 0 || lent !== TRIES) throw new Error('the races did not hold');
}
