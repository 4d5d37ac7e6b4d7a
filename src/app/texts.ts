/** Every text of `app`, by the file that shows it. */

export const error = {
  thisPageStoppedWorking: 'This page stopped working',
  everythingThatWasSaved:
    'Everything that was saved is safe. Try again; if it breaks again, reload the page, or go to another place and come back.',
  theServersLog: (digest: string) => `The server’s log has it under ${digest}.`,
  tryAgain: 'Try again',
  reload: 'Reload',
};

export const layout = {
  inletCheck: 'Inlet Check',
  sInletCheck: '%s · Inlet Check',
  checkEveryMicrophoneLineBefore: 'Check every microphone line before anything is plugged in.',
};

export const loading = {
  opening: 'Opening …',
  readingTheRig: 'Reading the rig.',
};

export const notFound = {
  thereIsNothing: 'There is nothing at this address',
  itMayHaveBeenRemoved: 'It may have been removed, or there is a typo in the address. Choose a place to go on.',
};
