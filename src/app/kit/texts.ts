import { plural } from '@/core/units';

/** Every text of `app/kit`, by the file that shows it. */

export const page = {
  kit: 'Kit',
};

export const addItemDialog = {
  sources: 'Sources',
  linksAndSupplies: 'Links and supplies',
  devices: 'Devices',
  deviceWithInlets: 'Device with inlets',
  aRecorderDeskInterfaceCamera: 'A recorder, desk, interface, camera or transmitter: its inlets and their switches.',
  likeOneYou: 'Like one you have',
  itsFiguresAndChoices: 'Its figures and choices are copied.',
  addToTheKit: 'Add to the kit',
  fromTheCatalogue: 'From the catalogue',
  chooseWhat: 'Choose what it is',
  name: 'Name',
  howMany: 'How many',
  withInTheName: 'With # in the name each is an item of its own: cable A # becomes cable A 1, cable A 2 …',
  typicalFiguresAreUsedUntil: 'Typical figures are used until you enter the data sheet.',
  addItems: (wanted: number) => `Add ${wanted} items`,
  addItem: 'Add item',
  from1To: (most: number) => `1 to ${most}`,
};

export const clashNotice = {
  wasRemovedInAnotherTab: (name: string) => `${name} was removed in another tab; you have changed it here.`,
  wasChangedInBothTabs: (name: string) => `${name} was changed in another tab too, at the same point.`,
  wasRemovedHereOnly: (name: string) => `${name} was changed in another tab; you have removed it here.`,
  keepMine: 'Keep mine',
  removeItAnyway: 'Remove it anyway',
  useTheOtherTabsVersion: 'Use the other tab’s version',
  removeItHereToo: 'Remove it here too',
  nothingIsLostUntilYou: (text: string) => `${text} Nothing is lost until you choose.`,
};

export const itemPanel = {
  stillToFindOut: 'Still to find out',
  dataSheet: 'Data sheet',
  note: 'Note',
  inletsSwitchesAndFigures: 'Inlets, switches and figures',
  source: 'Source',
  link: 'Link',
  usedOn: 'Used on',
  noRigUses: 'No rig uses it.',
  removeFromTheKit: 'Remove from the kit',
  updatedEverywhereItIsUsed: (uses: string) => `Updated everywhere it is used: ${uses}.`,
  answer: (label: string) => `Answer: ${label}`,
  confirmAsEntered: (label: string) => `Confirm: ${label} as entered`,
  confirm: (label: string) => `Confirm ${label}`,
  count: 'Count',
  whichSheetEditionPage: 'which sheet, edition, page',
  from0To999: '0 to 999',
};

export const kitImportDialog = {
  importIntoTheKit: 'Import into the kit',
  aKitJsonOrCsv: 'A kit (JSON or CSV)',
  replacesTheWholeItem: 'replaces the whole item',
};

export const kitPlace = {
  wasChangedInAnotherTab: (name: string) => `${name} was changed in another tab as well; both changes are kept.`,
  wasRemovedUndoBrings: (name: string) => `${name} was removed. Undo brings it back.`,
  recordedAndUpdated: (places: number, rigs: number) =>
    `Recorded and updated in ${plural(places, 'line')} of ${plural(rigs, 'rig')}.`,
  recordedNoRigUses: 'Recorded. No rig uses this item yet.',
  pickAnItemToSee: 'Pick an item to see its figures, their origin and what is still unknown.',
  notSaved: (message: string) => `not saved: ${message}`,
  saving: 'saving …',
  notAllSavedChooseBelow: 'not all saved: choose below',
  kitSavedItems: (itemsCount: number) => `kit saved · ${itemsCount} items`,
  findInTheKit: 'Find in the kit',
  item: 'Item',
  backToTheKit: 'Back to the kit',
  show: 'Show',
  all: 'All',
  addToTheKitN: 'Add to the kit (N)',
  add: 'Add',
  importWord: 'Import',
  exportCsv: 'Export CSV',
  exportJson: 'Export JSON',
  nothingInTheKitYet: 'Nothing in the kit yet',
  addTheMicrophonesBoxesCables:
    'Add the microphones, boxes, cables and devices you own, start from the generic catalogue, then enter the data-sheet figures. Leave blank what you don’t know.',
  addTheFirstItem: 'Add the first item',
};

export const kitTable = {
  sources: 'Sources',
  linksAndSupplies: 'Links and supplies',
  devices: 'Devices',
  name: 'Name',
  kind: 'Kind',
  count: 'Count',
  toFindOut: 'To find out',
  unansweredQuestionsAndAssumedFigures: 'Unanswered questions and assumed figures',
  usedOn: 'Used on',
  retired: (name: string) => `${name} (retired)`,
  nothingInTheKitMatches: 'Nothing in the kit matches',
  kit: 'Kit',
  inlets: 'inlets',
};

export const shopList = {
  repairShop: 'Repair shop',
  notBackYet: ': not back yet',
  warrantyUntil: (warranty: string) => `, warranty until ${warranty}`,
  dayAndRig: (day: string, rig: string) => `${day}, on ${rig}`,
};
