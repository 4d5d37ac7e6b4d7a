/** Every text of `ui/shell`, by the file that shows it. */

export const anew = {
  updatingThisPage: 'Updating this page …',
};

export const ask = {
  noConnectionTryAgainWhen: 'No connection. Try again when the server is back.',
};

export const barParts = {
  more: 'More',
  find: (shortcut: string) => `Find  ${shortcut}`,
  undoCtrlZ: 'Undo (Ctrl Z)',
  undo: 'Undo',
  redoCtrlShiftZ: 'Redo (Ctrl Shift Z)',
  redo: 'Redo',
};

export const formDialog = {
  cancel: 'Cancel',
};

export const late = {
  coming: 'Loading …',
  theServerDoesNotAnswer: 'The server does not answer',
  thisDialogCould:
    'This dialog could not be loaded. Your changes on this page are kept. Open it again when the server is back.',
  thisCould: 'This part could not be loaded. Open it again when the server is back.',
  close: 'Close',
};

export const queries = {
  noConnectionThisLoads: 'No connection. This loads by itself when the server is back.',
};

export const placeFrame = {
  skipToTheSheet: 'Skip to the sheet',
  skipToThePanel: 'Skip to the panel',
};

export const placeBar = {
  inletCheck: 'Inlet Check',
};

export const placeRail = {
  rig: 'Rig',
  kit: 'Kit',
  plan: 'Plan',
  switchWord: 'Switch',
  test: 'Test',
  noise: 'Noise',
  log: 'Log',
  places: 'Places',
};

export const printButton = {
  printOrSaveAsPdf: 'Print, or save as PDF',
};

export const schemeButton = {
  darkForBackstage: 'Dark, for backstage',
  brightForDaylight: 'Bright, for daylight',
  switchToTheTheme: (to: string) => `Switch to the ${to} theme`,
};

export const settingsButton = {
  settings: 'Settings',
};

export const settingsDialog = {
  settings: 'Settings',
  forEveryoneWhoUses:
    'For everyone who uses this server. Files keep metres and decimal points, so that any program reads them. The mains frequency sets the usual supply and what the simulated interface hums at.',
  saveSettings: 'Save settings',
};

export const troublePlace = {
  theNewestUndamagedCopy: (at: string) => `The newest undamaged copy is from ${at} UTC: `,
  theFile: 'The file: ',
  tryAgain: 'Try again',
};
