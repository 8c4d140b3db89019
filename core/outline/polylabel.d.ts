declare module 'polylabel' {
  /** The point inside a polygon that lies farthest from its edge. */
  export default function polylabel(
    polygon: number[][][],
    precision?: number,
  ): number[] & { distance: number };
}
