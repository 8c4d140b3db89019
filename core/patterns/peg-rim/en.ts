/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  openEachOnceThrow:
    'Open each once. Throw away any that is split or whose spring sits loose; the weakest come first.',
  tapeRimsTogether: 'Tape {layers} rims together',
  layTapeFourPlaces: 'Lay {rim} on {rim}, tape at four places under the edge.',
  markSpots: 'Mark the spots',
  paintPegs: 'Paint the pegs',
  gluePrintedSpotsOr: 'Glue in the printed spots, or draw them: one place for each peg.',
  colourEachClipThem: 'One colour of paint each; clip them on the edge of a box to dry.',
  clipAllThemOnce: 'Clip all of them on once',
  everyPegBitesStays:
    'Every peg bites and stays when the rim is lifted, and the colours are enough for the pattern.',
  everyPegBitesStaysWhen: 'Every peg bites and stays when the rim is lifted.',
  pegs: '{pegsNeeded} pegs',
  jaw: 'jaw of {m}',
  doThumbFirstTwo:
    'Do thumb and first two fingers press, with the wrist up, and does the other hand hold the rim?',
  shortRowColourEdge: 'A short row, one colour, on an edge that an adult holds.',
  twoColoursTurnThen: 'Two colours in turn; then counting.',
  countingRimsMixedThen: 'Counting, rims mixed; then with the other hand.',
  rimClampedStandsOut:
    'The rim clamped so that it stands out over the table; pegs lie in a bowl on the side of the hand that works.',
  thumbTwoFingersPressed: 'three-jaw pinch: thumb and two fingers, pressed',
  takeOff: 'Take off',
  shortRow: 'A short row',
  allRound: 'All round',
  close: 'Close',
  threeColours: 'Three colours',
  counting: 'Counting',
  mixedCount: 'Mixed count',
  thumbTwoFingersOther: 'three-jaw pinch: thumb and two fingers of the other hand',
  clipsPegsRimFreely: 'Clips pegs on a rim, freely, in a pattern or by number',
  gullsComeHomeWho: 'The gulls come home: who sits where on the harbour wall?',
  youPaintedThesePegs: 'You painted these pegs. Which is first?',
  takeOffByColour: 'Take off by colour; say the pattern aloud.',
  twoColours: 'Two colours',
  lookOverPegs: 'Look over {number, plural, one {{number} peg} other {{number} pegs}}',
};
