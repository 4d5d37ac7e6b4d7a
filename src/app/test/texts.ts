import { plural } from '@/core/units';

/** Every text of `app/test`, by the file that shows it. */

export const page = {
  test: 'Test',
};

export const actCard = {
  doThis: 'Do this',
  likelyToHelpAbout: (probability: string, seconds: string, how: string) =>
    `${probability} likely to help; about ${seconds}. ${how} `,
  itHelped: 'It helped',
  itDidntHelp: 'It didn’t help',
  askOnInstead: 'Ask on instead',
};

export const answeredList = {
  answered: 'Answered',
  undoOf: (ask: string) => `Undo: ${ask}`,
  undo: 'Undo',
};

export const answerGrid = {
  answers: 'Answers',
};

export const atHand = {
  iOnlyHave: (missing: number, tools: number) =>
    `I only have … ${missing > 0 ? `(${tools - missing} of ${tools} tools)` : ''}`,
};

export const cablePanel = {
  notRemoved: (failed: string) => `Not removed: ${failed}`,
  removedTheTest: (label: string) => `Removed: the test of ${label}.`,
  testedCables: 'Tested cables',
  noneYetEachTest: 'None yet. Each test is kept here with what was seen, and what that rules out.',
  removeTheTest: (label: string) => `Remove the test of ${label}`,
  remove: 'Remove',
  olderOnesAreKept: (testsCount: number) => `${testsCount} older ones are kept and not listed.`,
};

export const cableView = {
  theCable: 'the cable',
  theKitStillSaysWhat: (refused: string) => `the kit still says what it said before: ${refused}`,
  testACable: 'Test a cable',
  labelOrCable: 'Label, or cable of the kit',
  stageBox7: 'stage box 7',
  connectors: 'Connectors',
  testIt: 'Test it by',
  whatTellsMost: 'What tells most',
  notKept: (problem: string) => `Not kept: ${problem}`,
  question: 'Question',
  keepItNextCable: 'Keep it, next cable',
  giveItALabelFirst: 'Give it a label first.',
  badSetItAside: (what: string, probability: string) => `Bad: ${what} (${probability}). Set it aside.`,
  suspectLookOnceMore: (what: string, probability: string) => `Suspect: ${what} (${probability}). Look once more.`,
  noBreakNoShortNothing: 'No break, no short, nothing swapped',
  nothingFoundWrongSoFar: 'Nothing found wrong so far',
  ruledOut: (ruledOut: string) => `Ruled out: ${ruledOut}.`,
  wouldCloseMost: (label: string) => ` ${label} would close most of that.`,
  notSeen: (notSeen: string) => `Not seen by this: ${notSeen}.`,
};

export const changeItem = {
  isKeptAndStill: (made: string, from: string, failed: undefined | string) =>
    `${made} is kept, and ${from} still has one too many: ${failed}`,
};

export const faultView = {
  writtenInTheLog: (text: string) => `Written in the log: ${text}.`,
  thinking: ' · thinking …',
  noSoundOrABad: 'No sound, or a bad one, on ',
  faultOn: 'Fault on ',
  soFar: (observationsCount: number) => ` · ${plural(observationsCount, 'answer')} so far`,
  answersFromBefore: (came: string) => `You came here with “${came}”. The answers below are from before.`,
  beginWithThat: 'Begin with that',
  keepTheAnswers: 'Keep the answers',
  notWrittenDown: (problem: string) => `Not written down: ${problem}`,
  nothingIsLeftToAsk: 'Nothing is left to ask with what you have. Do what is likeliest, or tick more tools below.',
  askAgainWhatICouldNotDo: (cannotCount: number) => `Ask again what I couldn’t do (${cannotCount})`,
  question: 'Question',
  about: (how: string, seconds: string, where: string) => `${how} About ${seconds} ${where}. `,
  iCantDo: 'I can’t do this',
  lookAtSomethingElse: 'Look at something else',
};

export const inletRow = {
  open21: 'Open 2-1',
  open31: 'Open 3-1',
  load21: 'Load 2-1',
  load31: 'Load 3-1',
  lampsAt: (name: string) => `Lamps at ${name}`,
  asItShouldBe: 'as it should be',
  aNumberSuchAs47: (head: string) => `${head}: a number, such as 47.9`,
  bothOpenVoltagesComeFirst: 'Both open voltages come first.',
  underLoadBothPins: 'Under load, both pins or neither.',
};

export const inletsPanel = {
  notRemoved: (failed: string) => `Not removed: ${failed}`,
  removedTheSheet: (name: string) => `Removed: the sheet of ${name}.`,
  inletSheets: 'Inlet sheets',
  noneYetASheetSays:
    'None yet. A sheet says what every inlet of a device gives, and which fail the standard; it can be printed.',
  inlet: (readingsCount: number) => plural(readingsCount, 'inlet'),
  notRight: (bad: string) => `not right: ${bad}`,
  noneFailsTheStandard: 'none fails the standard',
  printTheSheet: (name: string) => `Print the sheet of ${name}`,
  print: 'Print',
  removeTheSheet: (name: string) => `Remove the sheet of ${name}`,
  remove: 'Remove',
};

export const inletsView = {
  inlet: (id: string) => `inlet ${id}`,
  noInletOfThisRig:
    'No inlet of this rig has a phantom feed on. Turn one on in Rig; then its inlets are tested here in a row.',
  whatIsOnTheRig: (name: string, measuredCount: number) =>
    `${name}: what ${measuredCount === 1 ? 'its inlet gives' : `${measuredCount} inlets give`} is on the rig now, as measured. Ctrl Z takes it back.`,
  aNumberSuchAs0: 'A number, such as 0.5',
  inletsInARow: 'Inlets in a row',
  device: 'Device',
  readBy: 'Read by',
  twoLampStick: 'Two-lamp stick',
  meterAndLoad: 'Meter and load',
  lampsSayWhichPins: 'Lamps say which pins have a feed, not how strong it is: a load shows that.',
  monitorsDownHeadphonesOffFeed:
    'Monitors down, headphones off. Feed off, wait, unplug every source on it; then feed on once and read all of them. Feed off and wait again before anything is plugged back. ',
  meterOfReading: 'Meter, % of reading',
  lastDigitsV: 'Last digits, V',
  load: 'Load, Ω',
  loadWithin: 'Load within, %',
  inletsOf: (name: string) => `Inlets of ${name}`,
  notKept: (problem: string) => `Not kept: ${problem}`,
  keepThisSheet: 'Keep this sheet',
  useThemOnTheRig: 'Use them on the rig, as measured',
  ofRead: (readingsCount: number, inletsCount: number, others: number) =>
    `${readingsCount} of ${inletsCount} read${others > 0 ? `. ${others} without a phantom feed on ${others === 1 ? 'is' : 'are'} not listed` : ''}`,
};

export const leftPanel = {
  nothingIsBeingLooked: 'Nothing is being looked for.',
  workingOutWhatItCan: 'Working out what it can be …',
  whatItCanStillBe: 'What it can still be',
  doesntFitWhatElse: (text: string) => `“${text}” doesn’t fit what else was seen. Look at that once more.`,
  noSingleFaultExplains: 'No single fault explains all this. Two things may be wrong, or a reading is.',
  moreTogether: (alikeCount: number, rest: string) => `${alikeCount} more, ${rest} together`,
  actNowInstead: 'Act now instead',
  likelyToHelpAbout: (probability: string, seconds: string) => `${probability} likely to help, about ${seconds}`,
  doThisOf: (text: string) => `Do this: ${text}`,
  doThis: 'Do this',
  thisQuestionWontShow: 'This question won’t show',
  more: (unseenCount: number) => ` · ${unseenCount} more`,
  nextBest: 'Next best',
  bestForItsTime: 'Best for its time',
  bitsIn: (next: string, label: string, bits: string, seconds: string) =>
    ` ${next}: ${label}, ${bits} bits in ${seconds}.`,
  whyThisOne: 'Why this one: it',
  thisOne: 'This one',
  settles: ' settles ',
  ofWord: ' of ',
  bitsInAbout: ' bits in about',
  walkingAndWaitsIncluded: ', walking and waits included.',
};

export const lengthTable = {
  wholeDays1OrMore: 'Whole days, 1 or more',
  lengths: 'Lengths',
  lengthsAndSparesToTake: 'Lengths, and spares to take',
  failuresCountedOverDays: 'Failures counted over, days',
  jobDays: 'Job, days',
  cable: 'Cable',
  youHave: 'You have',
  thisRig: 'This rig',
  failed: 'Failed',
  spares: 'Spares',
  short: (short: number) => ` · ${short} short`,
  sparesLastTheJob:
    'Spares last the job with 95 % certainty if cables go on failing as often as counted, with as many in use.',
};

export const lineColumn = {
  line: 'Line',
  lines: 'Lines',
};

export const meterView = {
  moreThanTheStandardAllows: 'more than the standard allows',
  withinTheStandard: 'within the standard',
  tooCloseForThisMeter: 'too close for this meter to say',
  aNumberSuchAs47: 'A number, such as 47.9',
  itsCurrentIsMa: (name: string, milliamps: number) =>
    `${name}: its current is ${milliamps} mA from now on, measured. Ctrl Z takes it back.`,
  yourMeter: 'Your meter',
  fromItsManualAShare:
    'From its manual: a share of the reading, and the last digits in volts. One meter, one range for all readings.',
  accuracyOfReading: 'Accuracy, % of reading',
  lastDigitsV: 'Last digits, V',
  whatAMicrophoneDraws: 'What a microphone draws',
  howTheCurrentIsRead:
    '48 V, 6.8 kΩ. Open: the inlet with nothing plugged, feed on. Then with the microphone running, at its pins.',
  openPin2To1: 'Open, pin 2 to 1, V',
  runningPin2To1: 'Running, pin 2 to 1, V',
  runningPin3To1: 'Running, pin 3 to 1, V',
  pin2Pin3: (total: string, pin2: string, pin3: string) => `${total} (pin 2: ${pin2}, pin 3: ${pin3})`,
  anythingFromToRead: (least: string, most: string) =>
    `Anything from ${least} to ${most}: read the open voltage too, 48 V may be 44 to 52 V.`,
  itIsTheMicrophone: 'It is the microphone of',
  useItOnTheRig: 'Use it on the rig, as measured',
  howWellAnInletsFeed: 'How well an inlet’s feed resistors match',
  twoLoadsOf68:
    'Two loads of 6.8 kΩ, 0.1 %, from 2 to 1 and from 3 to 1, and the volts from 2 to 3. Then exchange the loads. The open voltage stands above.',
  pin2To3Mv: 'Pin 2 to 3, mV',
  loadsExchangedMv: 'Loads exchanged, mV',
};

export const notWorkedOut = {
  tryAgain: 'Try again',
  thisCouldNotBeWorked: (failed: string) =>
    `This could not be worked out: ${failed} Undo the last answer, or try again.`,
};

export const numbersForm = {
  typeTheReadings: 'Type the readings',
  orTypeWhatItReads: 'Or type what it reads',
  aNumberSuchAs47: 'A number, such as 47.9',
  takeThese: 'Take these',
  pins: 'Pins',
  pin: 'Pin',
};

export const priorsButton = {
  noAnswer: 'no answer',
  keptItCountsFromNow: 'Kept. It counts from now on, on every rig.',
  openHowLikely: 'How likely each fault is …',
  howLikelyEachFault: 'How likely each fault is',
  howOftenEachGoesWrong:
    'How often each goes wrong against the others, before anybody looks. The order is common practice: cables before all else, breaks before shorts, forgotten switches next. The numbers are assumed. Say otherwise where you know better; what helped on your own jobs is added by itself.',
  notKept: (failed: string) => `Not kept: ${failed}`,
  repaired: (row: number) => `+ ${row} repaired`,
  allAsInTheTable: 'All as in the table',
  keep: 'Keep',
  fromTo: (rarest: number, commonest: number) => `${rarest} to ${commonest}`,
};

export const registerPanel = {
  everyMonth: 'every month',
  everyThreeMonths: 'every three months',
  everyHalfYear: 'every half year',
  everyYear: 'every year',
  chooseACableToSee: 'Choose a cable to see its tests and failures.',
  notKept: (failed: undefined | string) => `Not kept: ${failed}`,
  nextTest: (due: string) => `; next test ${due}`,
  testIt: 'Test it',
  isRetiredNothingIsPlanned: (name: string) => `${name} is retired: nothing is planned with it any more.`,
  retireIt: 'Retire it',
  isInUseAgain: (name: string) => `${name} is in use again.`,
  backInUse: 'Back in use',
  itsLabel: 'Its label',
  bought: 'Bought',
  kept: 'Kept.',
  whenItSeemsRight: 'when it seems right',
  everyDays: (testEvery: number) => `every ${testEvery} days`,
  itsFailures: 'Its failures',
  itsTests: 'Its tests',
  noneYet: 'None yet.',
};

export const registerView = {
  registerOfCables: 'Register of cables',
  noCableHasALabel:
    'No cable has a label of its own yet. Put one on the first below: its tests and failures are kept from then on.',
  nothingDue: ', nothing due.',
  withALabel: (rowsCount: number, countsCount: string) => `${rowsCount} with a label${countsCount}`,
  tested: (at: string) => `, tested ${at}`,
  failed: (count: number) => `, failed ${count === 1 ? 'once' : `${count} times`}`,
  printLabels: 'Print labels',
  saveAsCsv: 'Save as CSV',
  importACsvInKit: 'Import a CSV in Kit',
  isTakenChooseAnotherLabel: (name: string) => `“${name}” is taken. Choose another label.`,
  hasALabel: (made: string, count: number, others: string) =>
    `${made} has a label of its own; ${count} of ${others} are left.`,
  labelACable: 'Label a cable',
  oneOf: 'One of',
  onItsLabel: 'On its label',
  takeItIntoTheRegister: 'Take it into the register',
};

export const situationAlerts = {
  theyAreInAgain: 'They are in again',
  theyArePulled: 'They are pulled',
  pulledKeepThemOutWhile: (harmed: string) => `Pulled: ${harmed}. Keep them out while the feed is on.`,
  theFeedOnThisSwitch: (harmed: string) =>
    `The feed on this switch harms ${harmed}. Turn it off first. Nothing that needs it on is asked until they are pulled.`,
  seeWhy: 'See why',
  asItIsWired: (verdict: string, what: string) =>
    `${verdict} as it is wired, with good cables: ${what}. Mend that first.`,
};

export const solvedCard = {
  theRigHasAGood: 'The rig has a good cable there now. Ctrl Z takes it back.',
  notTakenBack: (failed: string) => `Not taken back: ${failed}`,
  takenBackItCounts: 'Taken back; it counts no more. What you answered is still there.',
  notKept: (failed: string) => `Not kept: ${failed}`,
  keptNextTimeIts: 'Kept. Next time it’s the end to look at first.',
  noteOfOneSetAside: (note: undefined | string, what: string) => `${note ? `${note} · ` : ''}1 set aside: ${what}`,
  notSetAside: (failed: undefined | string) => `Not set aside: ${failed}`,
  isRetiredInTheRegister: (name: string) => `${name} is retired in the register, with a note of what is wrong with it.`,
  oneFewerInTheKit: (name: string) => `One ${name} fewer in the kit, with a note of what is wrong with it.`,
  solved: 'Solved',
  mostLikely: (what: string) => `Most likely: ${what}. It is in the log, and counts from now on.`,
  whichEnd: 'Which end was it?',
  stageEnd: 'Stage end',
  deskEnd: 'Desk end',
  whichEndWasItOpen: 'Which end was it? Open the plug, or bend the cable at either end. Leave it if nobody has looked.',
  putAGoodOne: 'Put a good one on the rig',
  setTheBadOneAside: 'Set the bad one aside in the kit',
  itDidntHelpAfter: 'It didn’t help after all',
  somethingIsWrongAgain: 'Something is wrong again',
};

export const sparesField = {
  sparesToTake: 'Spares to take',
  cablesFailed: 'Cables failed',
  inDays: 'in days',
  jobDays: 'Job, days',
  lastTheJobWith95: ' last the job with 95 % certainty, as many cables in use as before.',
  wholeNumbersAndAtLeast: 'Whole numbers, and at least one day counted.',
};

export const testPlace = {
  noSound: 'No sound',
  testACable: 'Test a cable',
  register: 'Register',
  inlets: 'Inlets',
  fromTheMeter: 'From the meter',
  makeTheTools: 'Make the tools',
  testedCables: 'Tested cables',
  whatItCanStillBe: 'What it can still be',
  whatItCanBe: 'What it can be',
  thisCable: 'This cable',
  inletSheets: 'Inlet sheets',
  sheets: 'Sheets',
  partsOfTheTestPlace: 'Parts of the test place',
  backToTheQuestion: 'Back to the question',
  keptTheInlets: (name: string) => `Kept: the inlets of ${name}.`,
  kept: (label: string) => `Kept: ${label}.`,
  noLinesYetAddOne: 'No lines yet. Add one in the Rig place; then its fault is found here.',
};

export const toolsView = {
  twoLampStick: 'Two-lamp stick',
  howTheStickIsMade: (stick: string) =>
    `A male XLR plug. From pin 2 to pin 1, and from pin 3 to pin 1, each in series: a resistor of ${stick} (quarter watt), a red LED, and a small diode (100 V) the same way round, which holds off what comes reversed. Anodes towards pins 2 and 3. Mark which lamp is which. It goes into the stage end of a cable; the inlet’s feed lights it.`,
  testLoad: 'Test load',
  howTheLoadIsMade: (load: string) =>
    `A male XLR plug and a resistor of ${load}, 0.1 %, half a watt, on a switch from pin 2 or pin 3 to pin 1; two sockets across it for the voltmeter. Under load a bad joint shows that lamps and an open reading miss. It is safe for every phantom feed; short circuits are not.`,
  onAGoodInlet: 'On a good inlet',
  feed: 'Feed',
  open: 'Open',
  eachLamp: 'Each lamp',
  acrossTheLoad: 'Across the load',
  oneLegShorted: 'One leg shorted',
  calculatedForTheStandardsVoltage:
    'Calculated for the standard’s voltage and resistors; a feed may be off by its tolerance (48 V: ± 4 V), both legs alike. Plug anything in with the feed off, muted, monitors down, headphones off.',
};

export const words = {
  over99: 'over 99 %',
  under1: 'under 1 %',
  min: (seconds: number) => `${seconds} min`,
  andMore: (first: string, moreCount: number) => `${first} and ${moreCount} more`,
  feedsAsWellMuteThem: (name: string, who: string) => `${name} feeds ${who} as well: mute them too.`,
  atTheStageEnd: 'at the stage end',
  atTheDesk: 'at the desk',
  atBothEnds: 'at both ends',
  itFailedBefore: (end: string, count: number, source: number) =>
    `It failed before: at the ${end} end ${count === 1 && source === 1 ? 'that time' : `${count} of ${source} times`}. Look there first.`,
  cable: 'Cable',
  adapter: 'Adapter',
  patchPoint: 'Patch point',
  box: 'Box',
  source: 'Source',
  inlet: 'Inlet',
  forgottenOrNoFault: 'Forgotten, or no fault at all',
  aContactOpen: 'a contact open',
  aContactOpenAtTimes: 'a contact open at times',
  twoContactsShorted: 'two contacts shorted',
  twoContactsShortedAtTimes: 'two contacts shorted at times',
  aBadJoint: 'a bad joint',
  twoContactsSwapped: 'two contacts swapped',
  dampBetweenContacts: 'damp between contacts',
  plugNotHome: 'plug not home',
  feedOff: 'feed off',
  feedAtAnotherVoltage: 'feed at another voltage',
  weakFeed: 'weak feed',
  mutedGainOrFaderDown: 'muted, gain or fader down',
  padIn: 'pad in',
  pluggedIntoAnotherInlet: 'plugged into another inlet',
  sourceOffOrItsBattery: 'source off, or its battery empty',
  nothingWrongAnyMore: 'nothing wrong any more',
  bad: (found: string) => `bad: ${found}`,
  suspect: (found: string) => `suspect: ${found}`,
  noBreakNoShortNothing: 'no break, no short, nothing swapped',
  nothingFoundWrongNotEverything: 'nothing found wrong, not everything seen',
  badState: 'Bad',
  suspectState: 'Suspect',
  dueForATest: 'Due for a test',
  neverTested: 'Never tested',
  notAllSeen: 'Not all seen',
  tested: 'Tested',
  retired: 'Retired',
  retiredOn: (retired: string) => `Retired ${retired}`,
  dueSince: (due: string) => `Due since ${due}`,
  itFailedOnce: 'It failed once',
  itFailedTimes: (count: number) => `It failed ${count} times`,
  atTheDeskEnd: (inlet: number) => `${inlet} at the desk end`,
  timesAtTheStageEnd: (source: number) => `${source} at the stage end`,
  both: 'Both',
  only2: 'Only 2',
  only3: 'Only 3',
  neither: 'Neither',
  tooCloseToSay: (what: string) => `Too close to say: ${what}`,
  dead: 'dead',
};
