import { plural } from '@/core/units';
import { quantity } from '@/core/units/format';

/** Every text of `app/rig`, by the file that shows it. */

export const page = {
  rig: 'Rig',
};

export const carrying = {
  freeInlet: (inlet: string) => `free inlet ${inlet}`,
  pickedUp: (id: string) => `Picked up ${id}.`,
  over: (id: string) => `Over ${id}.`,
  notOverAnInlet: 'Not over an inlet.',
  putAt: (line: string, inlet: string) => `Put ${line} at ${inlet}.`,
  putBack: 'Put back.',
  returnedToItsInlet: 'Returned to its inlet.',
};

export const chooseMenus = {
  fromYourKit: 'From your kit',
  fromTheCatalogue: 'From the catalogue',
  moveToAFreeInlet: 'Move to a free inlet',
  everyInletIsTaken: 'Every inlet is taken',
  feedOn: ' · feed on',
  swapWith: 'Swap with',
};

export const deviceActions = {
  notAddedToTheKit: (failed: string) => `Not added to the kit: ${failed}`,
  isInTheKit: (name: string) => `${name} is in the kit.`,
  theDeviceAndItsLines: 'The device and its lines were removed. Undo brings them back.',
  newDevice: 'New device',
};

export const deviceTemplates = {
  addADevice: 'Add a device',
};

export const farRow = {
  noResult: 'No result',
  marked: 'marked',
};

export const groupHeader = {
  thisSwitchWhatEachSetting: 'This switch: what each setting would do, and how it is found',
  supplies: (amps: string) => `supplies ${amps}`,
  noFeed: 'no feed',
  oneInletOneSwitch: 'one inlet, one switch',
  oneSwitchFeedsFromTo: (first: number, last: number) => `one switch feeds inlets ${first}–${last}`,
  oneSwitchFeeds: (inletsCount: number) => `one switch feeds ${inletsCount} inlets`,
  phantomReturnsWithPower: '48 V returns when the power does',
  mutesWhileSwitching: 'mutes while switching',
  onBatteries: 'on batteries',
  wrongFor: (against: string) => `Wrong for: ${against}`,
  okForEveryLine: 'OK for every line',
  okForEveryLineAt: (fine: string) => `OK for every line: ${fine}`,
  noSettingSuitsEveryLine: 'No setting suits every line',
  feedOf: (title: string) => `Feed of ${title}`,
};

export const groupPanel = {
  where: (control: string) => `Where: ${control}`,
  latchedWhenPowerReturns: 'Latched: when power returns, this feed comes back as it was.',
  mutesItsInletsWhileSwitching: 'Mutes its inlets while switching.',
  softStartFullVoltageAfter: (value: string) => `Soft start: full voltage after ${value}.`,
  totalFeedCurrentMaMaximum: (value: number, basisLabel: string) =>
    `Total feed current: ${value} mA maximum (${basisLabel}).`,
  runsOnBatteries: (cells: number, chemistry: string) => `Runs on ${cells} batteries, ${chemistry}.`,
  inletsWithoutAFeed: 'Inlets without a feed',
  settingsOfThisSwitch: 'Settings of this switch',
  settingsCompared: 'Settings compared',
  checkingEverySetting: 'Checking every setting …',
  edit: (name: string) => `Edit ${name}`,
  turnMonitorsAndHeadphonesDown:
    'Turn monitors and headphones down before a feed goes on or off: the step can hurt ears. Never lift the protective earth; mains work belongs to a licensed electrician and local code.',
  line: (n: number) => plural(n, 'line'),
  okForEveryLine: ' · OK for every line',
  harms: (harmed: string) => `harms ${harmed}`,
  silent: (silent: string) => `${silent} silent`,
  setNow: 'set now',
  changesTheDrawing: 'Changes the drawing, not the device',
  tryWord: (feed: string) => `Try ${feed}`,
  noSettingOfThisSwitch: ' (no setting of this switch changes that)',
  noSettingSuits: ' (no setting suits it: it needs something else on its line)',
};

export const historyDialog = {
  history: 'History',
  revisions: 'Revisions',
  noDescription: 'No description',
  thinnedOut: ' · thinned out',
  revisionSaved: (revision: number, savedAt: string, kept: string) => `Revision ${revision}, ${savedAt}${kept}`,
  showOlderRevisions: 'Show older revisions',
  goingBackToRevisionWould: (revision: number) => `Going back to revision ${revision} would change`,
  chooseARevisionToCompare: 'Choose a revision to compare it with the rig now.',
  close: 'Close',
  restore: 'Restore',
  revisionOf: (revision: number) => ` revision ${revision}`,
};

export const importDialog = {
  thePastedText: 'The pasted text',
  importWord: 'Import',
  anInputListCsvTsv: 'An input list (CSV, TSV, XLSX, text), a rig (JSON) or a patch list (CSV)',
  orPasteAList: 'Or paste a list: from a spreadsheet, or as it came in a message',
  exampleList: `1. Announcer - dynamic
2. Violin - SDC +48`,
  devicesAndLines: (devicesCount: number, linesCount: number) =>
    `: ${plural(devicesCount, 'device')}, ${plural(linesCount, 'line')}.`,
  comparedWithThisRig: 'Compared with this rig',
  sheet: 'Sheet',
  cancel: 'Cancel',
  replaceThisRig: 'Replace this rig',
  addItAsANew: 'Add it as a new rig',
  importTheseRows: 'Import these rows',
  discard: (gridCount: number) => `Discard ${plural(gridCount, 'row')}`,
  keepTheRestHere: ', keep the rest here',
  add: (idsCount: number) => `Add ${plural(idsCount, 'line')}`,
  rowsLeft: 'Rows left',
  cantBeImportedNothing: (file: string) => `${file} can’t be imported. Nothing was changed.`,
};

export const imported = {
  hasNothingOnItsSheets: 'has nothing on its sheets',
  cannotBeReadChoose: (message: string) => `cannot be read (${message}); choose it again`,
  line: (line: number) => `line ${line}`,
};

export const inputListView = {
  notUsed: 'not used',
  line: (idsCount: number) => plural(idsCount, 'line'),
  yourAnswer: (open: number) => `, ${plural(open, 'row needs', 'rows need')} your answer`,
  countInTheRigAlready: (count: number) => `, ${count} in the rig already`,
  spare: (count: number) => `, ${count} spare`,
  nothingIsChangedYetWhat: '. Nothing is changed yet. What no line says by itself is kept in its note.',
  channelNumbersAreInlets: 'Channel numbers are inlets of',
  aNewDeviceAsLarge: 'a new device, as large as the list',
  setSwitchesInTheDrawing: 'Set switches in the drawing as the list asks for 48 V',
  columns: 'Columns',
  column: (n: number) => `Column ${n}`,
  keptInTheNote: 'Kept in the note',
  preview: 'Preview',
  whatEachRowBecomes: 'What each row becomes',
  row: 'Row',
  name: 'Name',
  becomes: 'Becomes',
  check: 'Check',
  theRigsNoteIsFull: (lost: string) => `The rig’s note is full. Copy what it cannot keep: ${lost}`,
  keptInTheRigsNote: (left: string) => `Kept in the rig’s note: ${left}`,
  inTheRigAlready: 'In the rig already',
  spareKeptFree: 'Spare, kept free',
  headingOfTheRowsBelow: 'Heading of the rows below',
  guessedFromTheName: 'guessed from the name',
  changeOf: (name: string) => `Change ${name}`,
  change: 'Change',
  whatIs: (name: string) => `What is ${name}?`,
  insteadFor: (name: string) => `Instead, for ${name}`,
  likely: 'likely',
};

export const keepingField = {
  forAWeek: 'for a week',
  for30Days: 'for 30 days',
  forAYear: 'for a year',
  forEver: 'for ever',
  keepEveryRevision: 'Keep every revision',
  allRigs: 'All rigs.',
  allRigsAfter: 'All rigs; after that, the last one of each day.',
  theDatabase: ' The database is',
  keptSound: (sounds: string) => `, kept sound ${sounds}`,
};

export const lineHead = {
  duplicateThisLineD: 'Duplicate this line (D)',
  moveToAnotherInletM: 'Move to another inlet (M)',
  removeThisLineDeleteUndo: 'Remove this line (Delete; undo brings it back)',
  aboutThisLine: 'About this line',
  why: 'Why',
  parts: 'Parts',
  readings: 'Readings',
  transients: 'Transients',
};

export const linePanel = {
  tryingWhatHelps: 'Trying what helps …',
  noSoundOrABad: 'No sound, or a bad one? Find the fault',
  turnMonitorsAndHeadphonesDown:
    'Turn monitors and headphones down before a feed goes on or off: the step can hurt ears.',
};

export const lineParts = {
  line: 'Line',
  partsOfThisLine: 'Parts of this line',
  removeThisLink: 'Remove this link',
  note: 'Note',
};

export const lineRow = {
  noResultForThisLine: (unsolved: string) => `No result for this line: ${unsolved}`,
  assumed: (assumed: string) => `Assumed: ${assumed}`,
  limitAssumed: 'limit assumed',
  onBattery: 'on battery',
  theWrongWayRound: (reversed: string) => `${reversed} the wrong way round`,
  gets: (stated: boolean, needs: string, volts: string) =>
    `${stated ? 'needs' : 'usually needs'} ${needs}, gets ${volts}`,
  partOnBattery: (what: string) => `${what} on battery`,
  needsGets: (what: string, needs: string, volts: string) => `${what} needs ${needs}, gets ${volts}`,
  needsNoFeed: 'needs no feed',
};

export const linkLabels = {
  details: (name: string) => `${name}: details`,
  addALink: (n: number, namesCount: number) =>
    `Add a link ${n === 0 ? 'after the source' : n === namesCount ? 'before the inlet' : `after link ${n}`}`,
};

export const manyPanel = {
  countsGuest: '# counts: Guest # becomes Guest 1, Guest 2 …',
  marked: (idsCount: number) => `${plural(idsCount, 'line')} marked`,
  andMore: (namesCount: number) => ` · and ${namesCount} more`,
  duplicate: (idsCount: number) => `Duplicate ${plural(idsCount, 'line')}`,
  copy: (idsCount: number) => `Copy ${plural(idsCount, 'line')}`,
  remove: (idsCount: number) => `Remove ${plural(idsCount, 'line')}`,
  clearMarks: 'Clear marks',
  nothingWasChanged: (refused: string) => `${refused} Nothing was changed.`,
  cableOf: 'Cable of each',
  setCable: 'Set cable',
  aLengthSuchAs10: 'A length such as 10 m or 30 ft, or a cable of the kit.',
  positionOfEachSource: 'Position of each source',
  setPosition: 'Set position',
  addToEachNote: 'Add to each note',
  addNote: 'Add note',
  namesInASeries: 'Names in a series',
  setNames: 'Set names',
  moveLine: 'Move line',
  moveLines: 'Move lines',
  to: 'To',
  fromInlet: 'From inlet',
};

export const momentsView = {
  limitOf: (limit: string, basis: string) => `${limit}${basis === 'assumed' ? ' (assumed)' : ''}`,
  followingTheCircuitOverTime: 'Following the circuit over time …',
  theFeedIsOff: 'The feed is off as drawn, so there is no thump. Try the switch on to see it.',
  partOfThisCant:
    'Part of this can’t be calculated for this line. Treat plugging it live as harmful: feed off, and wait, before you plug.',
  nothingFlowsWhileBothLegs: 'Nothing flows while both legs are equal.',
  peakVoltage: 'Peak voltage',
  peakCurrentThroughTheSource: 'Peak current through the source',
  worstPosition: 'Worst position',
  plugFully: 'plug fully in',
  lastsAboveHalfThePeak: 'Lasts (above half the peak)',
  ratedContinuousCurrent: 'Rated continuous current',
  feedGoingOff: 'Feed going off',
  dischargeToCalculated: (threshold: string) => `Discharge to ${threshold}, calculated`,
  longerThan10Min: 'longer than 10 min',
  waitBeforeYouUnplug: 'Wait before you unplug',
  calculatedPlugSpeedContactResistance:
    "Calculated. Plug speed, contact resistance, the spread of the coupling capacitors and the feed's filter are typical or assumed. Keep monitors and headphones down: a thump can hurt ears.",
  ifYouPlug: 'If you plug in with the feed on',
  ifYouPatch: 'If you patch with the feed on',
  moreThan10Min: 'more than 10 min',
  ifTheAnswer: 'If the answer is the other one',
  centreTapNotKnown: (answer: string, volts: string, amps: string) =>
    `Centre tap not known. If it is ${answer}: ${volts}, ${amps}. Don't plug with the feed on.`,
  belowWhatHappensIfThere: 'Below: what happens if there is no tap.',
  feedComing: 'Feed coming on',
  over: (ramp: string) => ` over ${ramp}`,
  stepAtTheInlet: 'Step at the inlet',
  peak: (volts: string) => `${volts} peak`,
  settlesTo1: 'Settles to 1 % in',
  atAGain: 'at a gain of',
  planned: ', planned',
  stepAtThisGain: 'Step at this gain',
  clips: ', clips',
};

export const monitorsDialog = {
  giveItAName: 'Give it a name.',
  thisNameIsTaken: 'This name is taken.',
  monitorsAndHeadphones: 'Monitors and headphones',
  nameWhatIsTurnedUp:
    'Name what is turned up and down together, and tick the devices you hear on it. A run sheet then turns down only what a switch can thump through.',
  monitors: (n: number) => `Monitors ${n}`,
  name: 'Name',
  turnedDown: 'Turned down at',
  whereItsDevices: 'where its devices are',
  remove: (name: string, n: number) => `Remove ${name || `monitors ${n}`}`,
  tickAtLeastOneDevice: 'Tick at least one device.',
  addMonitors: 'Add monitors',
  notTickedAnywhereForThese: (others: string) =>
    `Not ticked anywhere: ${others}. For these a run sheet asks for “all other monitors”.`,
  saveMonitors: 'Save monitors',
};

export const newLineDialog = {
  addADeviceFirst: 'Add a device first; a line needs an inlet.',
  newLine: 'New line',
  source: 'Source',
  chooseWhatMakesTheSound: 'Choose what makes the sound',
  fromYourKit: 'From your kit or the catalogue',
  inlet: 'Inlet',
  chooseAFreeInlet: 'Choose a free inlet',
  freeInletsSplitterOutputs: 'Free inlets, splitter outputs and thru sockets',
  nameOfTheLine: 'Name of the line',
  addTheLine: 'Add the line',
  yourKit: 'Your kit',
  catalogue: 'Catalogue',
  fromAnotherLine: 'From another line',
  intoAnotherLine: 'Into another line',
};

export const notices = {
  marked: (count: number) => `${plural(count, 'line')} marked`,
  change: (count: number) => `Change ${count === 1 ? 'it' : 'them'}`,
  unmark: 'Unmark',
  checkAgain: 'Check again',
  verdictsOutOfDate: 'The verdicts below are out of date.',
  doNotRelyOnThem: (why: string) => ` ${why} Do not rely on them.`,
  noVerdicts: 'There are no verdicts.',
  theRigWasRemoved: 'The rig was removed.',
  bringItBack: 'Bring it back',
};

export const overdrawnWords = {
  usedOwned: (name: string, uses: number, has: number) => `${name}: ${uses} used, ${has === 0 ? 'none' : has} owned`,
  moreThanYouOwnNow: (more: string) => `More than you own now: ${more}.`,
};

export const overview = {
  moreThanYouOwn: 'More than you own',
  problemsWorstFirst: 'Problems, worst first',
  noProblemsFound: 'No problems found',
  noLinesYet: 'No lines yet',
  tapALine: (lines: number, verdicts: string) =>
    `${plural(lines, 'line')}: ${verdicts}. Tap a line for the reason and the fix.`,
  allLinesAreClear: (lines: number) => `All ${lines} lines are Clear with the switches as drawn.`,
  linesWithoutAVerdict: 'Lines without a verdict',
  noVerdictYet: (lines: number) => `${plural(lines, 'line')} ${lines === 1 ? 'has' : 'have'} no verdict yet.`,
  noResult: (lines: number) =>
    lines === 1 ? '1 line has no result: its row says why.' : `${lines} lines have no result: their rows say why.`,
  typeTheFirstOne: 'Type the first one at the foot of the sheet; its problems are listed here.',
  more: (more: number) => ` · ${more} more`,
};

export const probePanel = {
  atTheSource: 'at the source',
  atTheInlet: 'at the inlet',
  afterLink: (n: number) => `after link ${n}`,
  probe: 'Probe',
  probeRedTip: 'Probe, red tip',
  blackTip: 'black tip',
  meterReads: 'Meter reads',
  floating: 'floating',
};

export const readings = {
  readings: 'Readings',
  feed: (feed: string) => `${feed} feed`,
  limit: (limit: string) => `limit ${limit}`,
  reversed: (reversed: string) => `${reversed}, reversed`,
  onRunsOnBattery: (contacts: string) => `on ${contacts}; runs on battery`,
  theBetterPinReads: (pins: string) => `; the better pin reads ${pins}`,
  voltageOfTheCapsule: 'Voltage of the capsule',
  ratedFor: (stands: string) => `rated for ${stands}`,
  dcThrough: (what: string) => `DC through ${what}`,
  notKnown: 'not known',
  none: 'none',
  ratedForLimit: (limit: string, basis: string) => `rated for ${limit}${basis === 'assumed' ? ' (assumed)' : ''}`,
  signalAtTheInlet: 'Signal at the inlet',
  nothingArrives: 'nothing arrives',
  againstTheUnloadedSource1: (powered: boolean) =>
    `against the unloaded source, 1 kHz${powered ? '' : ', if it were powered'}`,
  loadOnTheSource: 'Load on the source',
  at1Khz: 'at 1 kHz',
  gainNeeded: 'Gain needed',
  peaksArriveAtThisInlet: (inlet: string, gainMin: string, gainMax: string) =>
    `peaks arrive at ${inlet}; this inlet offers ${gainMin} to ${gainMax}`,
  responseLowCut: (lowCut: number) => `Response; low cut at ${quantity(lowCut, 'Hz')}`,
  responseOfTheSignalPath: 'Response of the signal path, 10 Hz to 20 kHz',
  frequencyResponseAtTheInlet: (lowCut: null | number) =>
    `Frequency response at the inlet (dB)${lowCut ? `; −3 dB at ${quantity(lowCut, 'Hz')}` : ''}`,
  at: (what: string) => `At ${what}`,
  needsOn: (contacts: string, stated: boolean, needs: string) =>
    `on ${contacts}, ${stated ? 'needs' : 'usually needs'} ${needs}`,
};

export const recordAnswer = {
  recordedInThisRig: (failed: string) => `Recorded in this rig; the kit did not take it: ${failed}`,
};

export const removedDialog = {
  removedRigs: 'Removed rigs',
  noRigWasRemoved: 'No rig was removed.',
  putBackOf: (name: string) => `Put back ${name}`,
  putBack: 'Put back',
  revisionRemoved: (revision: number, removedAt: string) => `Revision ${revision}, removed ${removedAt}`,
  close: 'Close',
};

export const rigDialogs = {
  recordedInYourKit: (uses: string) =>
    `Recorded in your kit, and everywhere it is used: here on ${uses}, and in your other rigs.`,
  nameAndNote: 'Name and note',
  nameOfTheRig: 'Name of the rig',
  giveItAName: 'Give it a name',
  note: 'Note',
  save: 'Save',
};

export const rigMenu = {
  rig: (name: string) => `Rig: ${name}`,
  newLine: 'New line',
  newDevice: 'New device',
  monitorsAndHeadphones: 'Monitors and headphones',
  nameAndNote: 'Name and note',
  markSeveralLines: 'Mark several lines',
  paste: (copied: number) => `Paste ${plural(copied, 'line')}`,
  ctrlV: 'Ctrl V',
  importAnInputList: 'Import an input list or a rig',
  exportThisRigJson: 'Export this rig (JSON)',
  exportTheInputListCsv: 'Export the input list (CSV)',
  exportTheInputList: 'Export the input list in the usual columns (CSV)',
  exportThePatchListCsv: 'Export the patch list (CSV)',
  printInputListPositionsPull: 'Print: input list, positions, pull list, labels',
  history: 'History',
  rigs: 'Rigs',
  casebookSituationsAndVerdicts: 'Casebook: situations and verdicts',
  newRig: 'New rig',
  removeThisRig: 'Remove this rig',
  removedRigs: 'Removed rigs',
};

export const rigPlace = {
  anotherDevice: 'Another device',
  noResultForThisLine: (unsolved: undefined | string) => `No result for this line: ${unsolved}`,
  solving: 'Solving …',
  notSolved: 'Not solved.',
  why: 'Why',
  backToTheSheet: 'Back to the sheet',
};

export const rowName = {
  moveByKeys: (name: string) => `Move ${name}. Space to pick up, arrows to move, space to drop.`,
  mark: (name: string) => `Mark ${name}`,
};

export const schoolsDialog = {
  schools: 'Schools',
  goodEngineersDifferHere:
    'Good engineers differ here. The first option is the cautious one. A finding names the choice behind it.',
  keptWithTheRig: 'Kept with the rig',
  theseDoNotChange:
    'These do not change a verdict here. They decide in run sheets, plans and running time on batteries.',
  done: 'Done',
};

export const sectionView = {
  free: 'Free:',
};

export const sheet = {
  noLineMatchesThisFilter: 'No line matches this filter.',
  newLineN: 'New line (N)',
  newLine: 'New line',
  off: 'Off',
  isWrong: (feed: string, names: string) => `${feed} is wrong for: ${names}`,
  via: 'via ',
};

export const startView = {
  anEmptyRig: 'An empty rig',
  pickWhatComesClosestNames:
    'Pick what comes closest. Names, inlets, switches and lines can all be changed, and Undo takes everything back.',
  startFromARig: 'Start from a rig',
  orFromYourDevicesThen: 'Or from your devices, then type the lines',
  setUpAnotherDevice: 'Set up another device',
  orFromAListYou: 'Or from a list you have',
  pasteOrDropAnInput:
    'Paste or drop an input list: CSV, TSV, XLSX, or the text of a message. A rig saved as a file works too.',
  importAnInputList: 'Import an input list or a rig',
  openTheDemo: (name: string) => `Open the demo: ${name}`,
};

export const topBar = {
  showLinesByVerdict: 'Show lines by verdict',
  findALine: 'Find a line',
  overviewOfFindingsO: 'Overview of findings (O)',
  overview: 'Overview',
  schools: 'Schools',
  showOnly: (verdict: string) => `Show only ${verdict}`,
};

export const typeLine = {
  typeLines: 'Type lines',
  typeALine: 'Type a line',
  ribbon10MDesk3: 'ribbon > 10 m > desk 3',
  add: (idsCount: number) => `Add ${idsCount > 1 ? plural(idsCount, 'line') : 'line'}`,
  howToTypeLines: 'How to type lines',
  sourceWhatLiesBetweenWhere: 'Source > what lies between > where it goes in. ',
  notAllOfThemAlike: ' (not all of them alike)',
  notUnderstoodKept: 'Not understood, kept as a note: ',
  theVerdictIsWithout: '. The verdict is without it.',
  isTakenAsInstead: (typed: string, taken: string) => `“${typed}” is taken as ${taken}. Instead: `,
};

export const useMany = {
  theServerDoesNotAnswer: 'The server does not answer.',
  aLineThatBegins: 'A line that begins or ends at another line’s link cannot be copied by itself.',
  copiedPasteWithCtrlV: (linesCount: number, left: number) =>
    `${plural(linesCount, 'line')} copied. Paste with Ctrl V, or from the menu of this rig or another.${left ? ` ${plural(left, 'line depends', 'lines depend')} on another line’s link and stayed out.` : ''}`,
  nothingWasChanged: (problem: string) => `${problem} Nothing was changed.`,
  addedCtrlZUndoes: (idsCount: number, elsewhere: number) =>
    `${plural(idsCount, 'line')} added.${elsewhere ? ` ${plural(elsewhere, 'line is', 'lines are')} on another inlet, as the old one is taken or not here.` : ''} Ctrl Z undoes it.`,
  theseLinesComeFromAnother: 'These lines come from another version of Inlet Check. Nothing was changed.',
  isNotALength: (text: string) => `“${text}” is not a length or a cable of the kit.`,
  removedUndoBringsThemBack: (idsCount: number) =>
    `${plural(idsCount, 'line was', 'lines were')} removed. Undo brings them back.`,
};

export const useRigActions = {
  linesAdded: (idsCount: number, more: string) =>
    `${plural(idsCount, 'line')} added. Ctrl Z undoes it.${more && ` ${more}`}`,
  deviceAdded: (name: string) => `${name} added. Ctrl Z undoes it.`,
  noInletIsFreeAdd: 'No inlet is free: add one to a device, or move a line away first.',
  wasRemovedUndoBrings: (name: string) => `${name} was removed. Undo brings it back.`,
};

export const useRigMenu = {
  patchList: (name: string) => `${name} patch list`,
  inputList: (name: string) => `${name} input list`,
  newRig: 'New rig',
};
