export const en = {
  takePhoto: 'Take or choose a photo',
  useCamera: 'Use this camera',
  takeIt: 'Take it',
  orPaste: 'Or paste a photo. It is measured here and not kept.',
  photoOfSheet: 'Photo of the sheet',
  noPhoto: 'No photo at hand? Try an example:',
  example: 'example {n}',
  printSheet: 'Print the sheet',
  layThings:
    'Print the sheet at 100 %, lay the things on it so that none touch, and take the photo from above, a little tilted, with all four corners in it.',
  clearThings: 'Clear plastic is hard to see: lay a scrap of white paper under it.',
  paper: 'Paper',
  barLong: 'The 100 mm bar measures',
  barWhy: 'Hold a ruler against the bar: if it is not 100 mm, type what it is, and every size is set right.',
  sending: 'Sending the photo: {percent} %',
  measuring: 'Measuring …',
  notAPhoto: 'What was pasted is no photo: copy a picture, and paste it here.',
  anotherPhoto: 'Another photo',
  whatCameraSees: 'What the camera sees',
  thingsFound:
    'The photo, with {things, plural, one {the thing} other {the # things}} that {things, plural, one {was} other {were}} found',
  closeCamera: 'Close the camera',
};
