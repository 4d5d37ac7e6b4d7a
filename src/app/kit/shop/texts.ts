import { quantity } from '@/core/units/format';

/** Every text of `app/kit/shop`, by the file that shows it. */

export const page = {
  forTheRepairShop: 'For the repair shop',
  forTheRepairShopOn: (unit: string) => `For the repair shop: ${unit}`,
  foundOn: (name: string) => `Found on ${name}, `,
  backToTheHunt: 'Back to the hunt',
  backToTheKit: 'Back to the kit',
  noHuntStandsBehind: 'No hunt stands behind this record: describe below what was heard, and what was connected.',
  neverOpenedHereWhat:
    'Never opened here: what is inside a mains unit is for the shop. Protective earth stays on; a unit that tingles or whose earth is in doubt is out of use until it comes back.',
  recordedAt: (day: string, time: string, name: string, rmsDbfs: number) =>
    `${day} ${time} UTC, ${name}, ${quantity(rmsDbfs, 'dBFS')}`,
  notMeasured: 'not measured',
  whatProves: 'What proves it',
  itMakesTheNoise: (left: string, line: string) =>
    `It makes the noise with everything unplugged that can be. Left connected: ${left}. Listened to on ${line}.`,
  notProvenYet: (left: string) =>
    `Not proven yet: it was never measured with everything else unplugged, with it and without it. The fewest that were on beside it: ${left}. Measure that in the hunt before it goes to the shop.`,
  heard: 'Heard',
  withIt: 'with it',
  withoutIt: 'without it',
  noSpectrumThisHunt: 'No spectrum: this hunt was measured before spectra were kept.',
  nothing: 'nothing',
  nothingElse: 'nothing else',
  noneMeasured: 'none measured',
};

export const pairSpectrum = {
  dashedWithout: ', dashed without it',
  spectrumDbfsPerHertzSolid: 'Spectrum, dBFS per hertz: solid with it',
  spectrumWith: (withoutCount: number, withIt: string) =>
    `Spectrum with it${withoutCount ? ' and without it' : ''}, ${withIt}`,
  biggestDifferenceAtHz: (hz: number) => `biggest difference at ${hz} Hz`,
  noLouder: 'no louder with it',
};

export const shopForm = {
  nothingIsSavedYet: (missing: string) => `${missing} Nothing is saved yet.`,
  bothOfYouChangedYours: (both: string) => ` Both of you changed: ${both}; yours is shown.`,
  somebodyElseSavedThisRecord: (bothCount: string) =>
    `Somebody else saved this record meanwhile. What they wrote is in the form now, beside yours: look at it and save again.${bothCount}`,
  saved: 'Saved.',
  record: 'Record',
  theUnit: 'The unit',
  serialNumber: 'Serial number',
  itemOfTheKit: 'Item of the kit',
  none: 'none',
  whatWasTriedAndChanged: 'What was tried and changed nothing',
  recordings: 'Recordings',
  noRecordingOfThisLine: 'No recording of this line is saved. Measure it in Noise and keep the figures with the audio.',
  recordingWith: 'Recording with it',
  recordingWithout: 'Recording without it',
  whoWasAsked: 'Who was asked',
  who: 'Who',
  whatTheySaid: 'What they said',
  addAndSave: 'Add and save',
  whatWasDone: 'What was done',
  byWhom: 'By whom',
  onYearMonthDay: 'On (year-month-day)',
  cost: 'Cost',
  warrantyUntilYearMonthDay: 'Warranty until (year-month-day)',
  measuredAgainLevelLineConditions: 'Measured again: level, line, conditions',
  save: 'Save',
  discardChanges: 'Discard changes',
  notSavedYetWhatYou: 'Not saved yet. What you typed stays in this browser until you save it.',
  removeThisRecord: 'Remove this record',
  removeThisRecordAsked: 'Remove this record?',
  everythingInItAbout: (unit: string) =>
    `Everything in it about ${unit} is deleted for good: who was asked, what was done, what it cost. The hunt stays.`,
  cancel: 'Cancel',
  removeRecord: 'Remove record',
  thisRecordingWasRemovedChoose: 'This recording was removed. Choose another one.',
  removed: 'removed',
  sound: (label: string) => `${label}: sound`,
  itsFiguresWereKept: 'Its figures were kept, not its sound.',
  whoWasAskedNeedsBoth: 'Who was asked needs both: who, and what they said.',
  sayWhatWasDone: 'Say what was done, or leave by whom, day, cost and warranty blank.',
  whatWasDoneNeeds: 'What was done needs by whom, and on which day (as 2026-05-09).',
  writeTheEnd: 'Write the end of the warranty as 2026-05-09.',
};
