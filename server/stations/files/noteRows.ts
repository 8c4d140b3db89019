import { ERASED } from '../../../contract/children.ts';
import { noteInput, type NoteInput, type LevelDone } from '../../../contract/notes.ts';
import { COLUMNS } from '../../../contract/files.ts';
import { HELP, LIKED } from '../../../core/watch/outcomes.ts';
import { rows } from '../../db/rows.ts';
import { paged, type Kind } from './kind.ts';

export interface NoteValue extends NoteInput {
  /** The note that is changed; null for a new one. */
  readonly id: number | null;
}

/** Levels done before, as `name; bits; seconds; count | …`. */
const beforeWords = (before: readonly LevelDone[]): string =>
  before.map((b) => [b.level, b.bits, b.seconds ?? '', b.count ?? ''].join('; ')).join(' | ');
function readBefore(text: string): unknown[] {
  const number = (t: string | undefined): number | null =>
    t === undefined || t.trim() === '' ? null : Number(t.replace(',', '.'));
  return text
    .split('|')
    .filter((part) => part.trim() !== '')
    .map((part) => {
      const [level, bits, seconds, count] = part.split(';').map((t) => t.trim());
      return { level, bits: number(bits), seconds: number(seconds), count: number(count) };
    });
}

/** The cell that a field of a note came from. */
const columnOf = (path: string): string => {
  const [first] = path.split('.');
  return { designId: 'design', satOn: 'day' }[first!] ?? first!;
};

export const noteRows: Kind<NoteValue> = {
  columns: COLUMNS.notes.all,
  required: COLUMNS.notes.required,
  read(cells, known) {
    const design = cells.words('design');
    const designId = known.designs.get(design.toLowerCase());
    if (designId === undefined)
      cells.fault(
        'design',
        design === '' ? 'is missing; expected a design' : 'expected a design of this place',
      );
    if (designId === null) cells.fault('design', 'names several designs; expected a name that only one has');
    const id = cells.whole('note') ?? null;
    if (id !== null && !known.notes.has(id))
      cells.fault('note', 'expected the number of a note that is here, or nothing for a new one');
    const satOn = cells.day('day');
    if (satOn === undefined && cells.raw('day').trim() === '')
      cells.fault('day', 'is missing; expected a day like 2026-11-25');
    if (satOn !== undefined && satOn > known.today) cells.fault('day', `expected ${known.today} or earlier`);
    const value = {
      designId,
      child: cells.words('child'),
      level: cells.words('level'),
      bits: cells.number('bits'),
      seconds: cells.number('seconds') ?? null,
      count: cells.whole('count') ?? null,
      of: cells.words('of') || 'pieces',
      help: cells.oneOf('help', HELP) ?? 'none',
      tries: cells.whole('tries') ?? 1,
      managed: cells.whole('managed') ?? null,
      liked: cells.oneOf('liked', LIKED) ?? null,
      words: cells.words('words'),
      satOn,
      before: readBefore(cells.words('before')),
    };
    if (value.seconds === null && value.count === null)
      cells.fault('seconds', 'expected how many seconds it took, or how many were counted');
    if (value.managed !== null && value.managed > value.tries)
      cells.fault('managed', `expected at most ${value.tries}, as many as were tried`);
    const read = cells.faults > 0 ? null : cells.check(noteInput, value, columnOf);
    return read && { ...read, id };
  },
  key: (n) => (n.id === null ? null : String(n.id)),
  exists: (n, known) => n.id !== null && known.notes.has(n.id),
  async *pages(em) {
    interface Row {
      id: number;
      name: string;
      child: string;
      level: string;
      bits: number;
      seconds: number | null;
      count: number | null;
      counted_of: string;
      help: string;
      tries: number;
      managed: number;
      liked: string | null;
      words: string;
      sat_on: string;
      before: string;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select n.*, d.name from note n join design d on d.id = n.design_id where substr(n.child, 1, ?) <> ? and n.id > ? order by n.id limit 100',
        [ERASED.length, ERASED, after],
      ),
    ))
      yield page.map((n) => [
        n.id,
        n.sat_on,
        n.child,
        n.name,
        n.level,
        n.bits,
        n.seconds,
        n.count,
        n.counted_of,
        n.help,
        n.tries,
        n.managed,
        n.liked,
        n.words,
        beforeWords(JSON.parse(n.before) as LevelDone[]),
      ]);
  },
};
