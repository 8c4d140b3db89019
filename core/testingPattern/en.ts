/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  does: 'Lays lids on rings',
  ringCard: 'Ring card',
  drawTheRings: 'Draw the rings',
  roundACup: 'Round a cup, with a thick pen.',
  counted: '{lids, plural, one {{lids} lid} other {{lids} lids}}',
  over: '{loose} over',
  grip: 'thumb and finger',
  whichLid: 'Which lid sits here?',
  youDrew: 'You drew these rings.',
  lookFor: 'Does the lid land without a push?',
  easier: 'Wider rings.',
  harder: 'Narrower rings.',
  more: 'Count them.',
  oneHand: 'The card taped down, rings on the side of the hand that works.',
};
