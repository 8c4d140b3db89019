/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  card: 'Card',
  printOrWriteCards: 'Print or write {n} cards',
  printSheetsCardOr: 'Print the sheets on card, or write the numerals large with a thick pen.',
  cutOutCards: 'Cut out {n} cards',
  scissorsAlongLinesRound: 'Scissors along the lines; round the corners a little.',
  tapeSticksWrite: 'Tape {n} sticks to write on',
  clearTapeAllRound: 'Clear tape all round each stick: a dry-wipe pen comes off with a finger.',
  layOutOnce: 'Lay it out once',
  everySpotHasToken: 'Every spot has its token, and none is left over.',
  everySpotHasToken2: 'Every spot has its token.',
  tokenTouchedEachWord:
    'Is one token touched for each word, and does the hand place it without moving the others?',
  spotsLayUpCard: 'Spots to lay on, up to 3, one card at a time.',
  allCardsOnceAny: 'All cards at once, in any order; then add two.',
  numeralsAloneThenAll: 'Numerals alone; then all cards at once.',
  cardsTapedDownOr:
    'Cards taped down or in a rack, tokens in a shallow bowl on a non-slip mat. Left-handed: the bowl at the left.',
  thumbFingerTime: 'pincer grasp: thumb and finger, one at a time',
  spots: 'To 3, on spots',
  spots2: 'To {to}, on spots',
  numeralsAlone: 'Numerals alone',
  allOnce: 'All at once',
  allSpots: 'All, on spots',
  countsTokensOutOnto: 'Counts tokens out onto cards',
  throwHowManyFish: 'Throw: how many fish does the boat bring?',
  youWroteTheseNumbers: 'You wrote these numbers. How many go on this one?',
  counted:
    '{cards, plural, one {{cards} card} other {{cards} cards}}, {tokens, plural, one {{tokens} token} other {{tokens} tokens}}{sticks, plural, =0 {} one {, {sticks} stick} other {, {sticks} sticks}}',
  eachCard: 'each card',
  countBack: 'Count back as they go into the pouch; which card has more?',
};
