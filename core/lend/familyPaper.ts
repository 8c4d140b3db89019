import { materialMarks } from '../drawing/material.ts';
import { outline, rectangle, sceneOf } from '../drawing/marks.ts';
import type { Scene } from '../drawing/mark.ts';
import type { MaterialInput } from '../materials/material.ts';
import type { LengthUnit } from '../measure/length.ts';
import type { Need, Show, Step } from '../patterns/kernel.ts';
import type { Placed } from '../plan/order.ts';
import type { Paper } from '../print/paper.ts';
import type { Finding } from '../safety/check.ts';
import type { SharedPart } from './bundle.ts';

/** Something that is counted, with its picture. */
export interface PicturedPart {
  readonly name: string;
  readonly due: number;
  readonly for: readonly string[];
  /** null where nothing is known to draw. */
  readonly scene: Scene | null;
}

/** A design of a kit as its family reads it. */
export interface HomeDesign {
  readonly name: string;
  readonly does: string;
  readonly ageFrom: number;
  readonly ageTo: number;
  readonly scene: Scene;
  /** By the ids of steps that change the shape of the thing. */
  readonly stepPictures: ReadonlyMap<string, Scene>;
  readonly placed: readonly Placed[];
  /** Steps that were done before it was handed over. */
  readonly prepared: readonly string[];
  readonly show: Show;
  /** Easier to harder, by name and what each asks of the hand. */
  readonly levels: readonly { readonly name: string; readonly grip: string }[];
  readonly findings: readonly Finding[];
}

/** What the papers of a kit for families are made from. */
export interface FamilyPaper {
  readonly name: string;
  readonly place: string;
  readonly language: string;
  readonly paper: Paper;
  readonly unit: LengthUnit;
  readonly words: string;
  readonly designs: readonly HomeDesign[];
  readonly parts: readonly PicturedPart[];
  /** Labels of the kits that are lent, for the count card. */
  readonly labels: readonly string[];
}

/** How high a band or a cord is drawn, mm: its own would hardly be seen. */
const BAND = 12;
const SHOWN = 120;

/** A part as it is counted: the thing itself, or the outline that is cut. */
function sceneOfPart(
  part: SharedPart,
  needs: readonly Need[],
  kinds: ReadonlyMap<number, MaterialInput>,
): Scene | null {
  const material = part.materialId === null ? undefined : kinds.get(part.materialId);
  if (material) {
    // What is measured off a roll is one cord of its length.
    if (material.unit === 'mm')
      return sceneOf([
        rectangle('body', [0, 0], [Math.min(part.takes, SHOWN), Math.min(BAND, material.sizes.width ?? 4)], {
          colour: material.colour,
        }),
      ]);
    return sceneOf(materialMarks(material, [0, 0]));
  }
  for (const n of needs)
    for (const c of n.cuts ?? [])
      if (part.name === c.label || part.name.startsWith(`${c.label} (`)) {
        const colour = kinds.get(n.materialId)?.colour;
        return sceneOf([
          c.kind === 'outline'
            ? outline('body', c.outline, [0, 0], { colour })
            : rectangle('body', [0, 0], [c.length, kinds.get(n.materialId)?.sizes.diameter ?? BAND], {
                colour,
              }),
        ]);
      }
  return null;
}

/** What is counted of a kit, each with its picture, the pieces first. */
export const pictured = (
  parts: readonly SharedPart[],
  needs: readonly Need[],
  kinds: ReadonlyMap<number, MaterialInput>,
): PicturedPart[] =>
  [...parts]
    .sort((a, b) => Number(b.use === 'piece') - Number(a.use === 'piece'))
    .map((p) => ({ name: p.name, due: p.due, for: p.for, scene: sceneOfPart(p, needs, kinds) }));

/** What a place does before it hands parts over for good: everything with a blade or heat, and all that comes before it. */
export function preparedSteps(steps: readonly Step[]): string[] {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const done = new Set<string>();
  const take = (id: string): void => {
    if (done.has(id)) return;
    done.add(id);
    for (const before of byId.get(id)?.after ?? []) take(before);
  };
  for (const s of steps) if (s.blade || s.heat) take(s.id);
  return steps.filter((s) => done.has(s.id)).map((s) => s.id);
}
