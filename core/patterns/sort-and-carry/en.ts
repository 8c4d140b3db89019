/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  printFoldCards: 'Print and fold {cups} cards',
  cutAlongLinesFold: 'Cut along the lines, fold, stand one behind each cup; no card hides another.',
  carryEachCup: 'Carry one to each cup',
  goesWithoutPushBowl: '{what} goes in without a push; the bowl stands nearest to the child.',
  doesEyeGoCard:
    'Does the eye go to the card before the hand leaves the bowl, and does the tool stay closed on the way?',
  twoCupsLargePieces: 'Two cups, large pieces, fingers; no call.',
  moreCupsThenTongs: 'More cups, then tongs.',
  moreCupsCalledOut: 'More cups, called out; then two bowls and turns.',
  trayNonSlipMat:
    'The tray on a non-slip mat, the bowl on the side of the hand that works. Left-handed: the cups to its right.',
  twoCups: 'Two cups',
  thumbFinger: 'pincer grasp: thumb and finger',
  threeCups: 'Three cups',
  cups: '{cups} cups',
  spoon: 'With a spoon',
  wholeHandLevel: 'palmar grasp: whole hand, level',
  tongs: 'With tongs',
  wholeHandTongs: 'palmar grasp: whole hand on tongs',
  tweezers: 'With tweezers',
  carriesPiecesCupThey: 'Carries pieces to the cup they belong in',
  ferryCallsWhichLanding: 'The ferry calls: which landing stage does this one go to?',
  youFoldedTheseCards: 'You folded these cards. Where does this one belong?',
  counted:
    '{cups, plural, one {{cups} cup} other {{cups} cups}}, {pieces, plural, one {{pieces} piece} other {{pieces} pieces}}',
  whichHasMore: 'Which cup has more? Sort again by size.',
  thumbAndTwoFingers: 'three-jaw pinch: thumb and two fingers',
};
