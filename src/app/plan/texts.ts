import { plural } from '@/core/units';
import { quantity } from '@/core/units/format';

/** Every text of `app/plan`, by the file that shows it. */

export const page = {
  plan: 'Plan',
};

export const batteriesView = {
  solvingEveryLine: 'Solving every line at every voltage …',
  noDeviceHereRuns:
    'No device here runs on batteries. Enter how many one takes, in its dialog in Rig, and its running time stands here.',
  onOneSetOfBatteries: (watts: string) =>
    `on one set of batteries with the switches as drawn; the feeds take ${watts} W`,
  recommended: 'Recommended: ',
  nothingToRecommend: (why: string) => `Nothing to recommend: ${why}.`,
  only: 'Only ',
  keepsFromMovedToAnother: (groupName: string, to: string, value: string) =>
    ` keeps ${groupName} from ${to}. Moved to another switch, one set of batteries lasts ${value} longer. A plan moves it if the school asks for the lowest voltage that every source states.`,
  okForEveryLine: 'OK for every line on its switches.',
  thoseSwitchesKeepTheHigher: (objecting: string) => `${objecting}. Those switches keep the higher voltage.`,
  setNow: 'set now',
  setInTheRig: (feed: string) => `Set ${feed} in the rig`,
  batteryFigures: 'Battery figures',
  whatThisRests: (cells: number, chemistry: string) => `${cells} × ${chemistry}: what this rests on`,
  whCanBeUsed: ' Wh can be used',
  ofThatAtThisLoad: (capacity: number) => `, ${capacity} % of that at this load`,
  coldAgeAndTheDisplay: '. Cold, age and the display shorten it.',
  fromToOrEmpty: (min: number, max: number, unit: string) => `From ${min} to ${max} ${unit}, or empty`,
  notStated: 'not stated',
  sourcesOnBattery: 'Sources on battery',
  sourcesOnBatteryShortestFirst: 'Sources on battery, shortest first',
  onMaFromItsBatteries: (lineName: string, milliamps: string) => `on ${lineName}, ${milliamps} mA from its batteries`,
  chargeAndCurrent:
    "Charge and current are the catalogue's, from memory, unless the part states its own; 70 % of the charge is counted as usable.",
};

export const chainRow = {
  source: (source: string) => `source, ${source}`,
  pluggedStraight: 'plugged straight in',
  aboveNoise: (aboveNoise: number) => `${quantity(aboveNoise, 'dB')} above noise`,
  gain: (gainNeeded: number) => `gain ${quantity(gainNeeded, 'dB')}`,
  from: (lowCut: number) => `from ${quantity(lowCut, 'Hz')}`,
  usesYourLast: (usesUp: string) => `uses your last: ${usesUp}`,
  asItIsNow: 'as it is now',
  useIt: 'Use it',
  balanced: 'balanced',
  unbalanced: 'unbalanced',
  upTo: (highCut: number) => `to ${quantity(highCut, 'Hz')}`,
};

export const chainsView = {
  addADevice: 'Add a device and a line in the Rig place first.',
  from: 'From',
  fromTheKit: (name: string) => `${name}, from the kit`,
  to: 'To',
  feedOfTheInlet: 'Feed of the inlet',
  judging: 'Judging …',
  work: (allowedCount: number, run: string) => `${allowedCount} work; ${run}`,
  bestFirst: 'Best first',
  nothingInTheKitWorks: 'Nothing in the kit works here',
  withAt: (name: string, set: string) => `with ${name} at ${set}`,
  temptingButWrong: 'Tempting, but wrong',
  bestFirstVerdictBalanced:
    'Best first: verdict, balanced or not, level above preamp noise (−128 dBu, typical), bandwidth, fewest links, simplest links, least kit used up, fewest changes.',
  ofCableNeeded: (run: string) => `${run} of cable needed`,
  noCableNeededByDistance: 'no cable needed by distance',
};

export const changeRow = {
  accept: (name: string) => `Accept: ${name}`,
  becomes: 'becomes',
  inAnotherLinesDirectBox: 'in another line’s direct box',
  theSameInlet: 'the same inlet',
  pinnedHereTapToUnpin: (name: string) => `${name} pinned here; tap to unpin`,
  keepHereInEveryPlan: (name: string) => `Keep ${name} here in every plan`,
  pin: (name: string) => `Pin ${name}`,
};

export const compareTable = {
  clear: 'Clear',
  toWatch: 'To watch',
  leftOut: 'Left out',
  toGet: 'To get',
  linesChanged: 'Lines changed',
  ofThemMoved: 'of them moved',
  switchesTurned: 'Switches turned',
  feedsOn: 'Feeds on',
  oneSetOfBatteries: (name: string) => `${name}, one set of batteries`,
  provenBest: 'Proven best',
  noStopped: 'no, stopped',
  noTimeWasUp: 'no, time was up',
  comparisonOfProposals: 'Comparison of proposals',
  proposal: (id: number) => `Proposal ${id}`,
  yes: 'yes',
};

export const dayChart = {
  batteriesOfOverTheDay: (name: string) => `Batteries of ${name} over the day`,
  overTheDay: 'Over the day',
  beginsAt: 'Begins at',
  lastsH: 'Lasts (h)',
  reserveH: 'Reserve (h)',
  theDay: 'The day',
  reserveForTheLastTake: 'reserve for the last take',
  newBatteries: (clock: string) => `new batteries ${clock}`,
  atASet: (label: string, lasts: string, own: string) => ` At ${label}: ${lasts} a set, ${own}.`,
  forTheDay: (count: number) => `${plural(count, 'set')} for the day`,
  asItIsNowNew: (day: string, changes: string) => `As it is now: ${day}, new batteries at ${changes}.`,
  asItIsNowOne: 'As it is now: one set lasts the day.',
  now: 'now',
};

export const dcFields = {
  aNumber: (min: number, max: number, unit: string, optional: boolean) =>
    `A number from ${min} to ${max} ${unit}${optional ? ', or empty' : ''}`,
  remove: 'Remove',
  save: 'Save',
  name: 'Name',
  giveItAName: 'Give it a name',
  negative: 'negative',
  positive: 'positive',
};

export const directCurrentView = {
  noOutletIsRight: (without: string) => `No outlet is right for ${without}.`,
  everyBox: 'Every box is on a suitable outlet.',
  directCurrentSupplies: 'Direct-current supplies',
  directCurrentSuppliesForBoxes: 'Direct-current supplies for boxes and pedals',
  supply: 'Supply',
  boxOrPedal: 'Box or pedal',
  arrange: 'Arrange',
  noneYetAddTheSupply:
    'None yet. Add the supply, then what it powers: a battery-type direct box, a preamplifier, a pedal.',
  outlets: ' outlets, ',
  isolated: 'isolated',
  oneSharedGround: 'one shared ground',
  centre: ' centre · ',
  each: ' each',
  together: (value: string) => `, ${value} together`,
  edit: (name: string) => `Edit ${name}`,
  withCare: 'with care',
  notSuitable: 'not suitable',
  outlet: (name: string, n: number) => `${name}, outlet ${n}`,
  toCentre: (lowest: string, highest: string, centre: string, current: string, digital: boolean) =>
    `${lowest} to ${highest}, ${centre} centre · ${current} · ${digital ? 'digital' : 'analogue'}`,
  supplyOf: (name: string) => `Supply of ${name}`,
  none: 'none',
  suitable: 'suitable',
};

export const goalWords = {
  withoutAPlace: (n: number) => `${plural(n, 'line')} without a place`,
  givenUp: (n: number) => `${plural(n, 'wish', 'wishes')} given up`,
  toGet: (n: number) => `${n} to get`,
  takenApart: (n: number) => `${plural(n, 'pair')} taken apart`,
  movedThatClearOrMoved: (n: number) =>
    `${plural(n, 'line')} moved that ${n === 1 ? 'was' : 'were'} Clear, or moved to another place`,
  atWatch: (n: number) => `${plural(n, 'line')} at Watch`,
  lastTakenFromTheCase: (n: number) => `${n} last ${n === 1 ? 'one' : 'ones'} taken from the case`,
  atPlugsAndLinks: (n: number) => `${plural(n, 'change')} at plugs and links`,
  atLeast: (bound: number) => ` (${bound} at least)`,
};

export const keepToPanel = {
  rulesForThePlan: 'Rules for the plan',
  keptWithTheRigChange: 'Kept with the rig. Change something, then plan again.',
  pinnedLines: 'Pinned lines',
  noneAPinBeside: 'None. A pin beside a planned line adds one.',
  pinALine: 'Pin a line',
  line: 'Line',
  inlet: 'Inlet',
  blockedInlets: 'Blocked inlets',
  none: 'None.',
  notBy: (line: string) => `: not by ${line}`,
  blockAnInlet: 'Block an inlet',
  everyLine: 'every line',
  neighbours: 'Neighbours',
  keepTwoLinesTogether: 'Keep two lines together',
  oneLine: 'One line',
  otherLine: 'Other line',
  positionsAndCableRuns: 'Positions and cable runs',
  runsAreMeasured: (locations: string, runsCount: undefined | number) =>
    `${locations}. ${runsCount ?? 0} runs are measured.`,
  notSetEveryLineKeeps: 'Not set: every line keeps its present cable length, wherever it goes.',
  openPositionsAndCableRuns: 'Positions and cable runs …',
  batteries: 'Batteries',
  theCase: 'The case',
  remove: (text: string) => `Remove: ${text}`,
  cancel: 'Cancel',
  joined: ' and ',
};

export const loadDialog = {
  newBoxOrPedal: 'New box or pedal',
  centreContactOfItsSocket: 'Centre contact of its socket',
  poleItsSignalGround: 'Pole its signal ground is on',
  digitalItHasAClock: 'Digital: it has a clock inside',
  notBelowTheLeastVoltage: 'Not below the least voltage',
};

export const missing = {
  toGet: 'To get',
  forWord: (lines: string) => `for ${lines}`,
  orDropOneOfYour: 'Or drop one of your rules',
  withWhatTheKit: (leftOut: number) =>
    `With what the kit has, ${leftOut === 0 ? 'every line then has a place.' : `${leftOut} lines are still left out.`}`,
  thePin: (line: string) => `The pin of ${line}`,
  inletForbidden: (device: string, inlet: string, line: string) => `${device}, inlet ${inlet}, forbidden to ${line}`,
  sideBySide: (lines: string) => `${lines} side by side`,
  theFeedLimit: (device: string) => `The feed limit of ${device}`,
  joined: ' and ',
  all: 'all',
};

export const patchView = {
  thePlanCould: (failed: string) => `The plan could not be made: ${failed}`,
  reachedSoFar: 'Reached so far',
  reachedInOrder: 'Reached so far, in the order that counts',
  proven: 'proven',
  noPlanYet: 'No plan yet',
  nothingToPlanYet: 'Nothing to plan yet',
  planThePatchTries:
    'Plan the patch tries every chain in your kit and finds the best patch: nothing at Stop or Silent, fewest at Watch, feeds off where nobody needs them, fewest changes. Nothing changes until you accept.',
  addDevicesAndLines: 'Add devices and lines in the Rig place first; then come back.',
  goToTheRig: 'Go to the rig',
};

export const placesDialog = {
  positionsAndCableRuns: 'Positions and cable runs',
  aRunIsTheCable:
    'A run is the cable length between two positions, along the real route. Where no run is stated, a line needs as much cable as it has now.',
  places: 'Places',
  place: 'Place',
  remove: (name: string) => `Remove ${name}`,
  newPlace: 'New place',
  add: 'Add',
  runs: 'Runs',
  runsInMetres: 'Runs, in metres',
  addTwoPlacesFirst: 'Add two places first.',
  whereDevicesStand: 'Where devices stand',
  whereSourcesStand: 'Where sources stand',
  done: 'Done',
  notStated: 'not stated',
  aLengthFrom0: 'A length from 0 to 500 m, or empty',
};

export const planPlace = {
  patch: 'Patch',
  chains: 'Chains',
  supplies: 'Supplies',
  batteries: 'Batteries',
  acceptedAsANewRevision: (count: number) =>
    `Accepted: ${plural(count, 'change')}, as a new revision. Undo takes them back.`,
  partsOfThePlan: 'Parts of the plan',
  rulesForThePlan: 'Rules for the plan',
  backToThePlan: 'Back to the plan',
};

export const proposalSummary = {
  everyLineWorks: (toGetCount: number) =>
    `Every line works${toGetCount ? `. ${plural(toGetCount, 'item')} to buy or borrow` : ''}`,
  noPlace: (leftOutCount: number) => `${plural(leftOutCount, 'line has', 'lines have')} no place`,
  lineChangesLinesChange: (linesCount: number) => plural(linesCount, 'line changes', 'lines change'),
  staysStay: (same: number) => plural(same, 'stays', 'stay'),
  as: ' as',
  itIs: 'it is',
  theyAre: 'they are',
  switchChangesSwitchesChange: (switchesCount: number) => plural(switchesCount, 'switch changes', 'switches change'),
  thisIsTheBestPatch: (seconds: string) => `This is the best patch possible (${seconds} s).`,
  stopped: 'Stopped',
  timeWasUp: 'Time was up',
  perhapsFewerWouldDo: (open: string) => ` Perhaps fewer would do: ${open}.`,
  afterSMay: (stopped: string, seconds: string, openCount: string) =>
    `${stopped} after ${seconds} s; may not be the best.${openCount}`,
  gives: 'gives',
};

export const proposalTabs = {
  proposalsAtMost: (mostHeld: number) => `Proposals, ${mostHeld} at most`,
  proposal: (id: number) => `Proposal ${id}`,
  dropProposal: (id: number) => `Drop proposal ${id}`,
  samePlanAsBefore: 'Same plan as before. It is kept once.',
  hideTheComparison: 'Hide the comparison',
  compare: 'Compare',
};

export const proposalView = {
  thePresentPatch: 'The present patch is the best there is: nothing to change.',
  switches: 'Switches',
  lines: 'Lines',
  leftOut: 'Left out',
  inThePatch: 'in the patch',
  takenOutOfTheRig: 'taken out of the rig',
  takeTheLinesWithout: 'Take the lines without a place out of the rig',
  takeTheseLinesOut: 'Take these lines out of the rig; undo and the history bring them back.',
  theRigHasChangedSince: 'The rig has changed since this was planned. Plan again to accept changes.',
  acceptAllChanges: (all: number) => `Accept all ${all} changes`,
  acceptOfChanges: (count: number, all: number) => `Accept ${count} of ${all} changes`,
  tickAll: 'Tick all',
  tickNone: 'Tick none',
  thisChangesTheRigHere:
    'This changes the rig here, not on the stage. Before anybody plugs: feeds off, monitors and headphones down, wait.',
  unchanged: (names: string) => `Unchanged: ${names}.`,
};

export const runStrip = {
  planThePatchP: 'Plan the patch (P)',
  planAgain: 'Plan again',
  planThePatch: 'Plan the patch',
  searchForAtMost: 'Search for at most',
  seconds: (limit: number) => `${limit} seconds`,
  useOnlyMyKit: 'Use only my kit',
  rules: 'Rules',
  judgingEveryChainOfLine: (stock: string, done: number, total: number) =>
    `Judging every chain of ${stock}: line ${done} of ${total}`,
  findingTheBestPatch: (goal: string) => `Finding the best patch: ${goal}`,
  starting: 'Starting …',
  progressOfThePlan: 'Progress of the plan',
  searchingFor: (value: string, seconds: number) => `searching for ${value} s of at most ${seconds} s`,
  bestSoFar: (best: string) => ` · best so far: ${best}`,
  stopEsc: 'Stop (Esc)',
  stopAndKeepTheBest: 'Stop and keep the best so far',
  stop: 'Stop',
  clear: (clear: number) => `${clear} Clear`,
  watch: (watch: number) => `${watch} Watch`,
  leftOut: (leftOutCount: number) => `${leftOutCount} left out`,
  linesChanged: (linesCount: number) => `${linesCount} lines changed`,
};

export const suppliesView = {
  supplyForALine: 'Supply for a line',
  phantomSuppliesConvertersAndBoosters: 'Phantom supplies, converters and boosters',
  forTheLine: 'For the line',
  addALine: 'Add a line in the Rig place first.',
  thisLineEndsInAnother: "This line ends in another one's box; choose that one.",
  wouldDo: 'Would do',
  noneOfThemWouldDo: 'None of them would do',
  doesntWork: 'Doesn’t work',
  eachIsPutInto:
    "Each is put into the line at its usual place and judged at the inlet that the line is on: boxes with a supply of their own with the inlet's feed off, the others with 48 V on. A mains supply belongs on the same outlet strip as the rest of the audio; its protective earth is never lifted.",
  on: (runsOn: string, owned: number) => `on ${runsOn} · ${owned ? `${owned} in the kit` : 'not in the kit'}`,
};

export const supplyDialog = {
  newSupply: 'New supply',
  outlets: 'Outlets',
  aWholeNumberFrom1: 'A whole number from 1 to 32',
  isolatedOutputs: 'Isolated outputs',
  centreContactOfItsPlugs: 'Centre contact of its plugs',
};
