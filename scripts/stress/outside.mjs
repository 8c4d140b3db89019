// A copy of a large place in hostile forms: looked at and put back, told or left behind, while others are answered.
import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'libsql';
import { post } from './place.mjs';
import { bigPlace } from './bigPlace.mjs';
import { othersWait } from './waits.mjs';

const BUDGET = 2500;
const FORMS = {
  'a view that never ends':
    'create view v as with recursive n(x) as (select 1 union all select x + 1 from n) select max(x) from n',
  'a trigger': 'create trigger t after insert on note begin delete from loan; end',
  'a table that is a view':
    'alter table supplier rename to s2; create view supplier as with recursive n(x) as (select 1 union all select x + 1 from n) select x as id from n',
  'bytes for a text': 'update borrower set group_name = zeroblob(200000000) where id = 1',
  'the last number at its end': 'update sqlite_sequence set seq = 9223372036854775807',
  'no row in place': 'delete from place',
  'broken JSON': `update kit set parts = '['`,
  'a missing table': 'drop table outbox',
  'a missing column': 'alter table note drop column words',
  'two open loans of one kit':
    'drop index loan_one_open_per_kit; insert into loan (kit_id, borrower_id, lent_on, due_on) select kit_id, borrower_id, lent_on, due_on from loan where returned_on is null limit 1',
  'rows of nothing': 'update loan set borrower_id = 777777',
  'a check that costs': 'create index i on note (length(randomblob(1000000)))',
};

export async function hold() {
  const { folder, server } = await bigPlace();
  const made = await (await post(server.url, '/backups', {})).json();
  const at = join(folder, 'backups');
  let [odd, worst] = [0, 0];
  let n = 0;
  for (const [form, sql] of Object.entries(FORMS)) {
    const name = `fox-button-2030-01-01-0000${String(n++).padStart(2, '0')}.db`;
    copyFileSync(join(at, made.name), join(at, name));
    const db = new Database(join(at, name));
    try {
      db.exec('pragma foreign_keys = off');
      db.exec(sql);
    } catch (error) {
      console.log(`  ${form}: could not be made (${error.message})`);
    }
    db.close();
    const { result, waits } = await othersWait(server.url, async () => {
      const from = performance.now();
      const answer = await post(server.url, `/backups/${name}/restore`, {});
      const body = await answer.json();
      return {
        status: answer.status,
        detail: body.detail ?? 'put back without it',
        ms: performance.now() - from,
      };
    });
    const wait = Math.max(...waits);
    worst = Math.max(worst, wait);
    if (![200, 422].includes(result.status)) odd++;
    console.log(
      `  ${form.padEnd(28)} ${result.status} in ${(result.ms / 1000).toFixed(1)} s, others waited ${wait.toFixed(0)} ms at most: ${result.detail.slice(0, 110)}`,
    );
    const written = await post(server.url, '/borrowers', {
      name: `After ${n}`,
      group: 'Gulls',
      allergies: [],
    });
    if (written.status !== 201) odd++;
  }
  await server.stop();
  console.log(
    `Outside: ${n} forms, ${odd} neither told nor put back or nothing could be written after; others waited ${worst.toFixed(0)} ms at most, with an exchange in it (budget ${BUDGET} ms)`,
  );
  if (odd > 0 || worst > BUDGET) throw new Error('a file from outside did not hold');
}
