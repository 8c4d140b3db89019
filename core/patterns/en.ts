/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  die: 'Die',
  wash: 'Wash {what}',
  lookOver: 'Look over {what}',
  warmWaterWashingUp: 'Warm water and washing-up liquid, rinse, lay out on a towel with space between them.',
  brushOffWhatCannot:
    'Brush off what cannot be washed; feel each for splinters or crumbs, throw away any that are split.',
  countPieces: 'Count {count} in, label and bag',
  countThings: 'Count {what} in, label and bag',
  spoken: '“{words}”',
  labelOutsideCountWritten: 'Label on the outside, the count written where a family can see it.',
  showOnceSlowlyWithout: 'Show it once, slowly, without words. Then push the tray to the child.',
  letUsDoWhile: '“Let us do it while we wait.”',
  stopWhileStillGoes:
    'Stop while it still goes well: when the eyes leave it, the hand gets rough or pieces go to the mouth.',
  tool: '{tool}',
  colour: '{colour}',
};
