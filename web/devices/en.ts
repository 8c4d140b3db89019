/** What stands on the screens here, in English: a message (ICU MessageFormat) by its key. */
export const en = {
  enter: 'Enter',
  thisBrowserWasTold: 'This browser was told not to use the camera here. Allow it, or take a photo.',
  thereNoCameraOn: 'There is no camera on this device.',
  programUsingCamera: 'Another program is using the camera.',
  cameraCannotOpenedHere:
    'The camera cannot be opened here: browsers ask for HTTPS. A photo of the label works.',
};
