import { usualHand } from '../child/usualHand.ts';
import { extentsOf, hasTrait, shapeOf, type Material } from '../materials/material.ts';

/**
 * What usually serves in a role, by form and size and by the hand that takes hold of it: suggestions begin with nothing else,
 * whatever a design may be made of by whoever knows better (common practice). Lengths in mm.
 */
export type Serves = (m: Material, ageFrom: number) => boolean;

/** A hand closes on what is at most so thick, as a share of its spread, and carries what is at most so long; a thin stick may be longer. */
const CLOSES = 0.5;
const CARRIES = 0.75;
const STICK = { long: 1.4, thick: 20 } as const;
/** Heavier than this a small hand does not carry it about by the dozen, g. */
const LIGHT = 60;

const sizesOf = (m: Material): readonly number[] | null => {
  const shape = shapeOf(m);
  return shape ? extentsOf(shape) : null;
};
const isTool = (m: Material): boolean => hasTrait(m, 'grips when squeezed') || hasTrait(m, 'cage of wires');

/** A thing that a hand of that age takes hold of and carries. */
export const isHandled: Serves = (m, ageFrom) => {
  const sizes = sizesOf(m);
  if (!sizes || isTool(m) || ['sheet', 'container', 'consumable'].includes(m.form)) return false;
  if (m.materialClass === 'glass' || (m.mass ?? 0) > LIGHT) return false;
  const { span } = usualHand(ageFrom);
  const [long, wide, thin] = sizes as [number, number, number];
  return (
    thin <= CLOSES * span && (long <= CARRIES * span || (wide <= STICK.thick && long <= STICK.long * span))
  );
};

/** Small enough to lie on a card or in a cup by the handful, large enough to be taken one by one. */
export const isToken: Serves = (m, ageFrom) => {
  const sizes = sizesOf(m);
  return isHandled(m, ageFrom) && sizes![0]! <= 65 && sizes![0]! >= 12;
};

/** What cards are cut from: card, stiff paper or flat plastic, or a box of card; never cloth, foil or tissue. */
export const isCard: Serves = (m) =>
  m.form === 'container'
    ? m.materialClass === 'card'
    : m.sizes.diameter === undefined &&
      (m.materialClass === 'card' || (m.materialClass === 'plastic' && m.give < 0.2)) &&
      (m.sizes.wall ?? 0) >= 0.2;

/** A page that is printed on. */
export const isPage: Serves = (m) =>
  (m.materialClass === 'paper' || m.materialClass === 'card') &&
  m.give < 0.2 &&
  (m.sizes.wall ?? 0) <= 0.5 &&
  Math.min(m.sizes.length ?? 0, m.sizes.width ?? 0) >= 90;

/** A board that something is built on. */
export const isBoard: Serves = (m) =>
  ['card', 'wood', 'plastic'].includes(m.materialClass) && m.give < 0.2 && (m.sizes.wall ?? 0) >= 1;

const across = (m: Material): number =>
  m.sizes.diameter ?? Math.min(m.sizes.length ?? Infinity, m.sizes.width ?? Infinity);

/** A tub, tin or box that pieces go into: wide enough for a hand to take them out again. */
export const isTub: Serves = (m) =>
  m.form === 'container' && across(m) >= 60 && across(m) <= 250 && (m.sizes.height ?? 0) >= 40;

/** A cup or pot that pieces are sorted into, several on one tray. */
export const isCup: Serves = (m) => {
  const high = m.sizes.height ?? m.sizes.wall ?? 0;
  return across(m) >= 40 && across(m) <= 130 && high >= 8 && high <= 120 && !isTool(m);
};

/** A rim that pegs are clipped on: a tub, a plate or a card that stands or lies by itself. */
export const isRim: Serves = (m) =>
  m.materialClass !== 'fabric' &&
  m.materialClass !== 'glass' &&
  m.give < 0.2 &&
  across(m) >= 70 &&
  across(m) <= 320;

/** A lace or thread that a hand pulls. */
export const isLace: Serves = (m) =>
  m.materialClass === 'fabric' && (m.sizes.diameter ?? 0) >= 1.5 && (m.sizes.diameter ?? 0) <= 8;

/** A stick: long and thin, and stiff. */
export const isStick: Serves = (m) => {
  const sizes = sizesOf(m);
  return (
    !!sizes &&
    !isTool(m) &&
    (m.materialClass === 'wood' || m.materialClass === 'plastic' || m.materialClass === 'card') &&
    sizes[0]! >= 80 &&
    sizes[1]! <= 30
  );
};

/** A sticker, or a dab of paint; no foil, tape or pouch, which come by the roll and the sheet. */
export const isSticker: Serves = (m) =>
  m.form === 'consumable' &&
  (m.materialClass === 'paint' ||
    (m.materialClass === 'paper' && Math.max(m.sizes.length ?? 0, m.sizes.width ?? 0) <= 60));
