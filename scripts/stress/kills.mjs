// The server is killed while four desks lend and take back; everything that was acknowledged is in the file, and no half.
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { dueOn, FILE, newPlace, openServer, post } from './place.mjs';

const KILLS = Number(process.env.KILLS ?? 500);
const DESKS = Number(process.env.WRITERS ?? 4);

/** The file as the killed server left it, in a folder of its own: nobody waits for the lock of the dead. */
function leftBehind(folder) {
  const next = mkdtempSync(join(tmpdir(), 'fox-hold-'));
  for (const end of ['', '-wal', '-shm'])
    try {
      cpSync(join(folder, FILE + end), join(next, FILE + end));
    } catch (error) {
      if (error.code !== 'ENOENT') throw error;
    }
  rmSync(folder, { recursive: true, force: true });
  return next;
}

export async function hold() {
  let folder = newPlace(400);
  let [acknowledged, lost, unsound, half] = [0, 0, 0, 0];
  const began = performance.now();
  for (let kill = 0; kill < KILLS; kill++) {
    const before = new Database(join(folder, FILE));
    const kits = before
      .prepare(
        "select id from kit where label like 'FB-9%' and repair = 0 and to_clean = 0 and id not in (select kit_id from loan where returned_on is null) order by random() limit 60",
      )
      .all()
      .map((c) => c.id);
    before.close();
    const server = await openServer(folder);
    const due = dueOn();
    const lent = new Map();
    const back = new Set();
    let going = true;
    const desk = async (k) => {
      for (let i = k; going && i < kits.length; i += DESKS) {
        const kitId = kits[i];
        const r = await post(server.url, '/loans', { kitId, borrowerId: 1 + (i % 12), dueOn: due }).catch(
          () => null,
        );
        if (r?.status !== 201) continue;
        const loan = await r.json().catch(() => null);
        if (!loan) continue;
        lent.set(loan.id, kitId);
        const b = await post(server.url, `/loans/${loan.id}/return`, {
          present: [1, 8],
          then: 'shelve',
        }).catch(() => null);
        if (b?.status === 200) back.add(loan.id);
      }
    };
    const desks = Array.from({ length: DESKS }, (_, k) => desk(k));
    while (lent.size === 0) await new Promise((go) => setTimeout(go, 2));
    // Somewhere between the first loan and the last.
    await new Promise((go) => setTimeout(go, 1 + ((kill * 37) % 400)));
    const gone = new Promise((go) => server.child.once('exit', go));
    server.child.kill('SIGKILL');
    await gone;
    going = false;
    await Promise.all(desks);
    folder = leftBehind(folder);
    const db = new Database(join(folder, FILE));
    acknowledged += lent.size + back.size;
    for (const [id, kitId] of lent) {
      const [loan] = db.prepare('select kit_id, returned_on, counted from loan where id = ?').all(id);
      if (!loan || loan.kit_id !== kitId || (back.has(id) && loan.returned_on === null)) lost++;
      // A return is its day, its count on record and a kit to be cleaned, or none of them.
      const [{ n }] = db.prepare('select count(*) as n from "count" where loan_id = ?').all(id);
      if (loan && (loan.returned_on !== null) !== (n === 1)) half++;
    }
    if (db.prepare('pragma integrity_check').all()[0].integrity_check !== 'ok') unsound++;
    const [{ n: twice }] = db
      .prepare(
        'select count(*) as n from (select kit_id from loan where returned_on is null group by kit_id having count(*) > 1)',
      )
      .all();
    half += twice;
    // Clean again, for the next round.
    db.exec(
      "update kit set to_clean = 0; update loan set returned_on = lent_on where returned_on is null and kit_id in (select id from kit where label like 'FB-9%')",
    );
    db.close();
    if ((kill + 1) % 50 === 0)
      console.log(
        `  ${kill + 1} kills: ${acknowledged} acknowledged, ${lost} lost, ${half} half done, ${unsound} files unsound`,
      );
  }
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `Kills: ${KILLS} while lending, ${((performance.now() - began) / 1000).toFixed(0)} s: ${acknowledged} acknowledged, ${lost} lost, ${half} half done, ${unsound} files unsound`,
  );
  if (lost + half + unsound > 0) throw new Error('the kills did not hold');
}
