import { gaugeView } from '../gauge/gaugeView.ts';
import type { SmallPartsAnswer } from '../gauge/smallParts.ts';
import type { Shape } from '../geometry/shape.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Scene } from './mark.ts';
import { line, outline } from './marks.ts';

/** The small-parts cylinder with a piece in its best pose, as a drawing to print. mm. */
export function gaugeScene(shape: Shape, answer: SmallPartsAnswer): Scene {
  const { width, height, inside, piece, rim } = gaugeView(shape, answer);
  const round = Array.from({ length: 49 }, (_, i): Vec2 => {
    const a = (i * Math.PI) / 24;
    return [rim.at[0] + rim.radius * Math.cos(a), rim.at[1] + 3.4 * Math.sin(a)];
  });
  return {
    width,
    height,
    marks: [
      outline('shade', inside),
      outline('piece', piece),
      line('draw', [inside[0]!, inside[3]!, inside[2]!, inside[1]!], { width: 0.8 }),
      line('draw', round, { width: 0.5 }),
    ],
  };
}
