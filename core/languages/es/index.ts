import { making } from './making.ts';
import { dropThrough } from './drop-through.ts';
import { lace } from './lace.ts';
import { stack } from './stack.ts';
import { pullOut } from './pull-out.ts';
import { pegRim } from './peg-rim.ts';
import { countOut } from './count-out.ts';
import { dotMat } from './dot-mat.ts';
import { sortAndCarry } from './sort-and-carry.ts';
import { matchAndPiece } from './match-and-piece.ts';
import { weave } from './weave.ts';
import { shake } from './shake.ts';
import { feedTheMouth } from './feed-the-mouth.ts';
import { track } from './track.ts';
import { fingerTape } from './finger-tape.ts';
import { traceAndPull } from './trace-and-pull.ts';
import { trayAndSurface } from './tray-and-surface.ts';
import { cautions } from './cautions.ts';

/** Spanish for everything that is printed for families. */
export const ES = [
  ...making,
  ...dropThrough,
  ...lace,
  ...stack,
  ...pullOut,
  ...pegRim,
  ...countOut,
  ...dotMat,
  ...sortAndCarry,
  ...matchAndPiece,
  ...weave,
  ...shake,
  ...feedTheMouth,
  ...track,
  ...fingerTape,
  ...traceAndPull,
  ...trayAndSurface,
  ...cautions,
];
