import { z } from 'zod';
import { move } from '../core/challenge/bits.ts';
import { smallPartsAnswer } from '../core/gauge/smallParts.ts';
import { shape } from '../core/geometry/shape.ts';
import { opening } from '../core/passage/opening.ts';
import { passageAnswer } from '../core/passage/passage.ts';
import { packingRequest } from '../core/packing/problem.ts';
import { choiceRequest } from '../core/plan/choice.ts';
import { purchaseAnswer, purchaseRequest } from '../core/price/purchase.ts';

export const smallPartsRequest = z.strictObject({ shape });
export const passageRequest = z.strictObject({ piece: shape, opening });
export const challengeRequest = z.strictObject({
  moves: z
    .array(move, { error: 'expected a list of moves' })
    .min(1, 'expected at least one move')
    .max(1000, 'may have at most 1,000 moves'),
});
export const challengeAnswer = z.object({ bits: z.array(z.number()), total: z.number() });
export { choiceRequest, packingRequest };
export { passageAnswer, purchaseAnswer, purchaseRequest, smallPartsAnswer };
