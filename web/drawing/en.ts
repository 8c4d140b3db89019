/** What stands on the screens here, in English: a message (ICU MessageFormat) by its key. */
export const en = {
  packingBoxes: 'A packing of {placements} boxes',
  smallPartsCylinderInside: '{name} in the small-parts cylinder, inside',
  smallPartsCylinderStanding: '{name} in the small-parts cylinder, standing out',
  clearance: '{name}: clearance {clearance}',
};
