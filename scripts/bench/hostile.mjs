// How long others wait while hostile files are read: the slowest of many small questions asked meanwhile.
const FILES = {
  '20,000 rows of commas': `name,form\n${',,\n'.repeat(20_000)}`,
  '1 MB of line feeds': `name,form\n${'\n'.repeat(1_000_000)}`,
  'a quote left open in 10 MB': `name,form\n"${'x,disc\n'.repeat(1_430_000)}`,
  '100,000 commas a row': `name,form\n${`${','.repeat(100_000)}\n`.repeat(50)}`,
  '260,000 rows': `name,form\n${'A,disc\n'.repeat(260_000)}`,
};

export async function hostileBench(url) {
  for (const [name, body] of Object.entries(FILES)) {
    let over = false;
    const waits = [];
    const asking = (async () => {
      while (!over) {
        const t = performance.now();
        await fetch(`${url}/api/suppliers`).then((r) => r.text());
        waits.push(performance.now() - t);
        await new Promise((r) => setTimeout(r, 5));
      }
    })();
    const t = performance.now();
    const { status } = await fetch(`${url}/api/files/materials/preview`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body,
    });
    const took = performance.now() - t;
    over = true;
    await asking;
    console.log(
      `  ${name.padEnd(28)} refused with ${status} in ${(took / 1000).toFixed(2)} s; others waited ${Math.max(...waits).toFixed(0)} ms at most (budget 100 ms)`,
    );
  }
}
