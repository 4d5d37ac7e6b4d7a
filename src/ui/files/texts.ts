/** Every text of `ui/files`, by the file that shows it. */

export const fileDrop = {
  itIsLargerThanMib: (most: number) => `it is larger than ${most} MiB; split it`,
  chooseAFile: 'Choose a file',
  orDropItHere: (label: string) => `${label}, or drop it here`,
};

export const rowImportDialog = {
  cantBeImportedNothing: (file: string) => `${file} can’t be imported. Nothing was changed.`,
  cancel: 'Cancel',
  importTheseRows: 'Import these rows',
};

export const rowTable = {
  counted: (added: number, changed: number, unchanged: number, refused: number) =>
    `${added} added, ${changed} changed, ${unchanged} unchanged, ${refused} refused. Nothing is changed yet.`,
  whatEachRowWouldDo: 'What each row would do',
  row: 'Row',
  name: 'Name',
  does: 'Does',
  what: 'What',
};
