/** Every text of `ui/rig`, by the file that shows it. */

export const rigNotice = {
  putItBack: 'Put it back',
  thisRigWasRemoved: 'This rig was removed in another tab.',
  nothingHereIsUnsaved: 'Nothing here is unsaved.',
  yourChangeIsKeptHere: 'Your change is kept here, and saved when you put it back.',
};

export const savingText = {
  savedRevision: (savedAt: string, number: number) => `saved ${savedAt} · revision ${number}`,
  saving: 'saving …',
  notSaved: (message: string) => `not saved: ${message}`,
  removedInAnotherTab: 'removed in another tab',
  notSavedChangedInAnother: 'not saved: changed in another tab',
};

export const staleNotice = {
  compare: 'Compare',
  keepBoth: 'Keep both',
  useTheOtherTabsVersion: 'Use the other tab’s version',
  useMine: 'Use mine',
  thisRigWasChanged: (revision: number, stale: boolean) =>
    `This rig was changed in another tab (revision ${revision}). ${stale ? 'Your change is kept; nothing is lost either way.' : 'You have nothing unsaved.'}`,
  whatWasChangedWhere: 'What was changed where',
  inTheOtherTab: 'In the other tab',
  hereNotSaved: 'Here, not saved',
  bothSidesChangedTheSame:
    'Both sides changed the same line or device, or would meet on one inlet, so one of them has to be chosen. The other stays in the history.',
  close: 'Close',
  nothingDiffers: 'Nothing differs.',
  theRig: 'The rig',
};

export const loadReaders = {
  notSavedNoAnswer: 'Not saved: the server does not answer. Try again when it is back.',
};

export const useRig = {
  noConnectionYourChange: 'No connection. Your change is kept on this page and will be saved when the server is back.',
};
