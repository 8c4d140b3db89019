import bwip from 'bwip-js/node';

/** A dark run of a code: from where and how long, in modules, in which of its rows. */
export type Run = readonly [x: number, row: number, long: number];

/** A QR code as the dark runs of its rows, and how many modules it is across. */
export function qrOf(text: string): { readonly runs: readonly Run[]; readonly across: number } {
  const [code] = bwip.raw({ bcid: 'qrcode', text }) as unknown as [{ pixs: readonly number[]; pixx: number }];
  const runs: Run[] = [];
  for (let at = 0; at < code.pixs.length;) {
    const [x, row] = [at % code.pixx, Math.floor(at / code.pixx)];
    let long = 0;
    while (x + long < code.pixx && code.pixs[at + long] === 1) long++;
    if (long > 0) runs.push([x, row, long]);
    at += Math.max(1, long);
  }
  return { runs, across: code.pixx };
}

/** Runs as one outline, of modules so wide and high: a thousand labels are drawn in the time of a few pictures. */
export const outlineOf = (runs: readonly Run[], wide: number, high: number): string =>
  runs
    .map(([x, row, long]) =>
      [
        `M${(x * wide).toFixed(3)} ${(row * high).toFixed(3)}`,
        `h${(long * wide).toFixed(3)}`,
        `v${high.toFixed(3)}`,
        `h${(-long * wide).toFixed(3)}Z`,
      ].join(''),
    )
    .join('');
