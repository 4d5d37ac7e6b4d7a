/** Every text of `app/log`, by the file that shows it. */

export const page = {
  log: 'Log',
};

export const entryList = {
  nothingHasHappenedYet: 'Nothing has happened yet.',
  noEntriesOfThisKind: 'No entries of this kind.',
  beginARunSheet: 'Begin a run sheet',
  andMore: (names: string, namesCount: number) => `${names} and ${namesCount} more`,
};

export const exposureList = {
  powerEachSourceHasSeen: 'Power each source has seen',
  fromTheSteps: 'From the steps that were reported. Press a line to see its entries.',
  noFeedHasBeenRecorded: 'No feed has been recorded yet.',
};

export const exposureText = {
  min: (minutes: number) => `${minutes} min`,
  hMin: (minutes: number, string: string) => `${minutes} h ${string} min`,
  unknownFeed: 'unknown feed',
  times: (times: number) => `, ${times} times`,
  forWord: (feed: string, seconds: string, times: string) => `${feed} for ${seconds}${times}`,
  noFeed: 'no feed',
};

export const logPlace = {
  asCsv: 'As CSV',
  asJson: 'As JSON',
  handOverPage: 'Hand-over page',
  powerEachSourceHasSeen: 'Power each source has seen',
  backToTheLog: 'Back to the log',
  aNoteForTheLog: 'A note for the log',
  note: 'Note',
  noteOn: (line: string) => `Note on ${line}`,
  yourName: 'Your name',
  addNote: 'Add note',
  filterOfTheLog: 'Filter of the log',
  kind: 'Kind',
  line: 'Line',
  everyLine: 'every line',
  day: 'Day',
  everyDay: 'every day',
  searchText: 'Search text',
  showOlderEntries: 'Show older entries',
  everything: 'everything',
  matchingOf: (matching: number, total: number) => `${matching} of ${total}`,
};
