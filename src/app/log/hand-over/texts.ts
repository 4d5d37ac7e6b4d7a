import { quantity } from '@/core/units/format';

/** Every text of `app/log/hand-over`, by the file that shows it. */

export const page = {
  handOver: 'Hand-over',
  handOverOf: (name: string) => `Hand-over: ${name}`,
  revisionPrinted: (revision: number) => `Revision ${revision}, printed `,
  backToTheLog: 'Back to the log',
  stateOfTheRig: 'State of the rig, as reported',
  stateNotRecordedTreat: 'State not recorded. Treat every feed as on.',
  inputList: 'Input list',
  lines: 'Lines',
  line: 'Line',
  sourceAndLinks: 'Source and links',
  inlet: 'Inlet',
  feed: 'Feed',
  gain: 'Gain',
  verdict: 'Verdict',
  powerEachSourceHasSeen: 'Power each source has seen',
  noSourceHasHad: 'No source has had a feed.',
  notesIncidentsDifferences: 'Notes, incidents, differences',
  none: 'None.',
  reportedNotMeasuredCheck:
    'Reported, not measured. Check the switch and a meter before you plug anything. Mains work belongs to a licensed electrician, by local code.',
  notKnown: 'not known',
  found: 'Found',
  stillToFindOut: 'Still to find out',
  answered: 'Answered',
  floor: 'Floor',
  note: 'Note',
  speakersAndHeadphones: 'Speakers and headphones',
  thisIsHowRevision: (revision: number, paper: number) =>
    `This is how revision ${revision} was left in the room. The rig on paper has gone on to revision ${paper}: what is plugged may differ from the lines below. Look before you trust either.`,
  everyInletFeedIsOff: 'Every inlet feed is off.',
  notKnownTreatAsLive: 'not known, treat as live',
  suppliesStill: (supplied: string) => `Supplies still on, or not known: ${supplied}.`,
  runSheetUnfinishedSteps: (stepsCount: number) => `Run sheet unfinished: ${stepsCount} steps to do.`,
  noUnfinishedRunSheet: 'No unfinished run sheet.',
  down: 'down',
  up: 'up',
};

export const rows = {
  hasAFault: 'has a fault',
  notStated: 'not stated',
  wanted: (gainNeeded: number) => `, ${quantity(gainNeeded, 'dB')} wanted`,
  notSolved: (reasons: undefined | string) => `not solved: ${reasons ?? 'unknown'}`,
  rms: (reading: number, gain: undefined | number, name: string) =>
    `${quantity(reading, 'dBFS')} RMS${gain === undefined ? '' : ` at ${quantity(gain, 'dB')}`}, “${name}”`,
};
