import { plural } from '@/core/units';

/** Every text of `ui/devices`, by the file that shows it. */

export const deviceDialog = {
  newDevice: 'New device',
  beginWith: 'Begin with',
  oneOfYourKit: 'One of your kit, or what comes closest; or fill in what it has below',
  name: 'Name',
  giveItAName: 'Give it a name',
  maximumTotalFeedCurrentMa: 'Maximum total feed current (mA)',
  blankNotKnown: 'blank: not known',
  note: 'Note',
  ground: 'Ground',
  notKnown: 'not known',
  onMainsEarth: 'on mains earth',
  floatingBatteriesOrTwoPin: 'floating: batteries or two-pin supply',
  batteriesNumberOfCells: 'Batteries (number of cells)',
  blankMains: 'blank: mains',
  chemistry: 'Chemistry',
  capacityPerCellMah: 'Capacity per cell (mAh)',
  removeTheDevice: 'Remove the device and its lines',
  saveAndAdd: 'Save, and add to the kit',
  addTheDevice: 'Add the device',
  saveTheDevice: 'Save the device',
};

export const deviceForm = {
  typeANumberOrLeave: 'Type a number, or leave it empty',
  oneForAllInlets: 'one for all inlets',
  oneForEachInlet: 'one for each inlet',
  oneForEachPair: 'one for each pair',
  banksOf4: 'banks of 4',
  banksOf8: 'banks of 8',
  noneNoFeed: 'none: no feed',
  inlets: (first: string, last: undefined | string) => `inlets ${first}–${last}`,
  inlet: (own: string) => `inlet ${own}`,
};

export const inletFields = {
  inlets: 'Inlets',
  number: 'Number',
  lowerCaseLettersDigitsHyphens: 'Lower-case letters, digits, hyphens',
  kind: 'Kind',
  nameIfItHasOne: 'Name, if it has one',
  removeInlet: (id: string) => `Remove inlet ${id}`,
  addAnInlet: 'Add an inlet',
  howMany: 'How many',
  kindOf: 'Kind of all',
  feedSwitches: 'Feed switches',
  setInlets: 'Set inlets',
  from1To: (most: number) => `1 to ${most}`,
};

export const inletFigures = {
  figuresOfAll: (label: string) => `Figures of all: ${label}`,
  figuresHeading: (count: number, label: string) =>
    `Figures of ${count === 1 ? 'the inlet' : `all ${plural(count, 'inlet')}`}: ${label}`,
  whatIsTypedHere:
    'What is typed here is set on every one of them. Empty where they differ, or where the typical figure holds.',
};

export const switchFields = {
  switches: 'Switches',
  feedSwitches: 'Feed switches',
  switchWord: 'Switch',
  giveItAName: 'Give it a name',
  settings: 'Settings',
  whereIt: 'Where it is',
  menuInputsPage2: 'menu, inputs, page 2',
  softStart: 'Soft start (s)',
  removeSwitch: (n: number) => `Remove switch ${n}`,
  feedsInlets: 'Feeds inlets',
  feedReturnsAfterAPower: 'Feed returns after a power cut',
  mutesWhileSwitching: 'Mutes while switching',
  addASwitch: 'Add a switch',
  newSwitch: (n: number) => `switch ${n}`,
};
