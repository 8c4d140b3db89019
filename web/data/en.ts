/** What stands on the screens here, in English: a message (ICU MessageFormat) by its key. */
export const en = {
  notReached: 'Not reached',
  undoneAtOnce: 'undone at once',
  undone: 'Undone: {said}',
  foxButtonDoesNot: 'Fox Button does not answer. Is it still running? What you see is kept on this screen.',
  answerCouldNotRead: 'The answer could not be read ({status}).',
  metre: '{minor} a metre',
  n1Change: '1 change is',
  changes: '{n} changes are',
  lineBrokeBeforeWhole: 'The line broke before the whole file had come. Try again.',
};
