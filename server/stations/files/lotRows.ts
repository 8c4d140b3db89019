import { COLUMNS, LOOK } from '../../../contract/files.ts';
import { LOT_STATES } from '../../../contract/lots.ts';
import {
  CLEAN,
  CLOSES,
  CRUSHED,
  DRY,
  FRONT,
  HELD,
  look,
  SHARP,
  SMELL,
} from '../../../core/gather/lookOver.ts';
import { SIZES_OF, type MaterialInput, type SizeName } from '../../../core/materials/material.ts';
import { sizes as sizesSchema } from '../../../core/materials/materialInput.ts';
import { rows } from '../../db/rows.ts';
import { paged, sizeCells, sizesOf, type Kind, type Raw } from './kind.ts';

export interface LotValue {
  readonly id: number | null;
  readonly material: string;
  readonly quantity: number;
  readonly came: number;
  readonly cameOn: string;
  readonly from: string;
  readonly state: string;
  readonly readyOn: string | null;
  readonly reason: string;
  readonly sizes: Partial<Record<SizeName, number>>;
  readonly look: Record<string, unknown> | null;
}
export const lotRows: Kind<LotValue> = {
  columns: COLUMNS.lots.all,
  required: COLUMNS.lots.required,
  read(cells, known) {
    const material = cells.words('material');
    const at = known.materials.get(material.toLowerCase());
    if (!at) cells.fault('material', 'expected a material of this shelf; bring the materials in first');
    const quantity = cells.whole('quantity');
    const came = cells.whole('came') ?? quantity;
    const state = cells.oneOf('state', LOT_STATES) ?? 'ready';
    const readyOn = cells.day('ready_on') ?? null;
    const cameOn = cells.day('came_on');
    const id = cells.whole('lot') ?? null;
    const from = cells.words('from');
    const reason = cells.words('reason');
    const measured = sizesOf(cells);
    if (quantity === undefined && cells.raw('quantity').trim() === '')
      cells.fault('quantity', 'is missing; expected a count');
    if (cameOn === undefined && cells.raw('came_on').trim() === '')
      cells.fault('came_on', 'is missing; expected a day like 2026-11-25');
    if (quantity !== undefined && (quantity < 0 || quantity > 1e7))
      cells.fault('quantity', 'expected 0 to 10,000,000');
    if (came !== undefined && (came < 1 || came > 1e7)) cells.fault('came', 'expected 1 to 10,000,000');
    if (quantity !== undefined && came !== undefined && quantity > came)
      cells.fault('quantity', `is more than the ${came} that came`);
    if (id !== null && (id < 1 || id > 2 ** 31)) cells.fault('lot', 'expected the number of a lot');
    if (state === 'resting' && readyOn === null)
      cells.fault('ready_on', 'a lot in quarantine needs the day it is ready');
    if (state !== 'resting' && readyOn !== null)
      cells.fault('ready_on', 'only a lot in quarantine has a day it is ready');
    if (from.length > 40) cells.fault('from', 'may have at most 40 characters');
    if (reason.length > 300) cells.fault('reason', 'may have at most 300 characters');
    cells.check(sizesSchema, measured, (path) => path);
    for (const s of Object.keys(measured) as SizeName[])
      if (at && !SIZES_OF[at.form as MaterialInput['form']].includes(s))
        cells.fault(s, `${material} is a ${at.form}: it has no ${s}`);
    const answers = {
      clean: cells.oneOf('clean', CLEAN),
      dry: cells.oneOf('dry', DRY),
      smell: cells.oneOf('smell', SMELL),
      held: cells.oneOf('held', HELD),
      closes: cells.oneOf('closes', CLOSES),
      gap: cells.length('gap'),
      sharp: cells.oneOf('sharp', SHARP),
      crushed: cells.oneOf('crushed', CRUSHED),
      front: cells.oneOf('front', FRONT),
    };
    const looked = Object.values(answers).some((v) => v !== undefined);
    const seen = looked ? cells.check(look, answers, (path) => path) : null;
    if (cells.faults > 0) return null;
    return {
      id,
      material,
      quantity: quantity!,
      came: came!,
      cameOn: cameOn!,
      from,
      state,
      readyOn,
      reason,
      sizes: measured,
      look: seen,
    };
  },
  key: (l) => (l.id === null ? null : String(l.id)),
  exists: (l, known) => l.id !== null && known.lots.has(l.id),
  async *pages(em) {
    interface Row {
      id: number;
      name: string;
      quantity: number;
      came: number;
      came_on: string;
      from_code: string;
      state: string;
      ready_on: string | null;
      reason: string;
      sizes: string;
      look: string | null;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select l.*, m.name from lot l join material m on m.id = l.material_id where l.id > ? order by l.id limit 100',
        [after],
      ),
    ))
      yield page.map((l) => {
        const seen = l.look === null ? {} : (JSON.parse(l.look) as Record<string, Raw>);
        return [
          l.id,
          l.name,
          l.quantity,
          l.came,
          l.came_on,
          l.from_code,
          l.state,
          l.ready_on,
          l.reason,
          ...sizeCells(JSON.parse(l.sizes) as Partial<Record<SizeName, number>>),
          ...LOOK.map((k) => seen[k] ?? null),
        ];
      });
  },
};
