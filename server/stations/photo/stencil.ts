import { outline as drawn } from '../../../core/drawing/marks.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { outlineName, sizedHoles, sizedOutline, type OutlineDial } from '../../../core/outline/outline.ts';
import { pagesOf, type TemplatePage } from '../../../core/print/pages.ts';
import type { Paper } from '../../../core/print/paper.ts';
import type { TemplateWords } from '../../formats/papers.ts';

/** An outline as pages at true size, and what they are headed by. */
export function stencil(
  outline: OutlineDial,
  longest: number,
  { paper, unit }: { readonly paper: Paper; readonly unit: LengthUnit },
): { readonly pages: TemplatePage[]; readonly words: TemplateWords } {
  const title = outlineName(outline);
  const marks = [sizedOutline(outline, longest), ...sizedHoles(outline, longest)].map((ring) =>
    drawn('cut', ring),
  );
  return {
    pages: pagesOf([{ id: 'stencil', title, marks, count: 1 }], { paper, mirror: false, unit }),
    words: {
      title: `${title}: outline`,
      line: `Longer side ${formatLength(longest, unit)} · draw round it on card, or cut it out and keep the card round it`,
      unit,
    },
  };
}
