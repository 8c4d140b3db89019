import type { Mark, Scene } from './mark.ts';
import { sceneOf } from './marks.ts';

/** The thing while it is made. */
export interface ThingAt {
  readonly picture: Scene;
  /** Whether the step changes its shape. */
  readonly changes: boolean;
}

/**
 * The thing as it grows, a picture for each step: what is there by then, what the hand does now marked as such, pencil lines
 * dashed. All are in one frame, so that nothing jumps from one to the next. `order` holds the ids of the steps as they are
 * done.
 */
export function growing(scene: Scene, order: readonly string[]): ReadonlyMap<string, ThingAt> {
  const when = (id: string | undefined): number => (id === undefined ? -1 : order.indexOf(id));
  const { width, height, marks } = sceneOf(
    scene.marks.filter((m) => m.kind !== 'dimension' && !(m.kind === 'words' && m.on !== 'body')),
    3,
  );
  return new Map(
    order.map((id, now) => {
      let changes = false;
      const seen = marks.flatMap((m): Mark[] => {
        const pencil = when(m.pencil);
        // Where the step is left out, what was drawn for it is there as soon as it is drawn.
        const from = when(m.step) < 0 ? pencil : when(m.step);
        const isNow = from === now || (pencil === now && from > now);
        changes ||= isNow;
        if (from <= now) return [isNow ? { ...m, now: true } : m];
        if (pencil < 0 || pencil > now || !('role' in m)) return [];
        const line: Mark = { ...m, role: 'guide', colour: undefined };
        return [isNow ? { ...line, now: true } : line];
      });
      return [id, { picture: { width, height, marks: seen }, changes }];
    }),
  );
}

/** The same for the steps that change the shape of the thing, as a paper shows them. */
export const stepPictures = (scene: Scene, order: readonly string[]): ReadonlyMap<string, Scene> =>
  new Map(
    [...growing(scene, order)].flatMap(([id, { picture, changes }]) => (changes ? [[id, picture]] : [])),
  );
