/** Every text of `ui/photo`, by the file that shows it. */

export const photoField = {
  goesWithTheReason: 'goes with the reason',
  sendingThePhoto: 'Sending the photo …',
  anotherPhoto: 'Another photo',
  addAPhoto: 'Add a photo',
  removePhoto: 'Remove photo',
  photo: 'Photo',
  itGoesWithTheReason: 'It goes with the reason you tap, into the sheet and the log.',
  theReasonAloneIsEnough: (failed: string) => `${failed} The reason alone is enough.`,
};

export const photoThumb = {
  photo: (what: string) => `Photo: ${what}`,
};

export const sendPhoto = {
  thisFileIsNoPhoto: 'This file is no photo that the browser can read. Take a JPEG or PNG.',
  thePhotoWasNotSent: (failed: undefined | string) => `The photo was not sent: ${failed}`,
};
