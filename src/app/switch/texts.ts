import { plural } from '@/core/units';
import { quantity } from '@/core/units/format';

/** Every text of `app/switch`, by the file that shows it. */

export const page = {
  switchWord: 'Switch',
};

export const aimView = {
  setUp: 'Set-up',
  linesToConnect: 'Lines to connect',
  changeOver: 'Change-over',
  linesToSwapWhile: 'Lines to swap while the others stay up',
  strike: 'Strike',
  linesToStrike: 'Lines to strike',
  aNewSheet: 'A new sheet',
  whatTheSheet: 'What the sheet is for',
  chooseTheLinesBelow: 'Choose the lines below.',
  nothingToDoTheRig: 'Nothing to do: the rig is already like this.',
  steps: (single: boolean, stepsCount: number) => `${single ? 'On its own inlet: ' : ''}${stepsCount} steps`,
  walk: (walks: number) => plural(walks, 'walk'),
  minWaiting: (waits: string) => `${waits} min waiting`,
  noWaiting: 'no waiting',
  fewestWalksPossibleWithEverything:
    'Fewest walks possible with everything off before a plug moves, and everything plugged before a feed comes on.',
  fewestWalksPossibleDevices: 'Fewest walks possible: devices with no line in common don’t wait for each other.',
  aGoodOrderThere: 'A good order; there were too many to try them all.',
  backToTheSheet: 'Back to the sheet',
  followingTheCircuits: 'Following the circuits …',
  begin: 'Begin',
  itStaysOffUntickThem: (why: string) => `${why} It stays off. Untick them below, or plan the patch again.`,
  alsoAffectedSameSwitchMuted: (disturbed: string) =>
    `Also affected (same switch), muted or unpowered until the end: ${disturbed}.`,
  whatIsSwapped: 'What is swapped',
  cableTooBothEnds: 'Cable too: both ends',
  onlyTheSourceItsEnd: 'Only the source: its end',
  onlyTheInletEnd: 'Only the inlet end',
  all: 'All',
  none: 'None',
  plugged: ', plugged',
  resetTheState: 'Reset the state of the rig',
};

export const backDialog = {
  backTo: (title: string) => `Back to: ${title}`,
  unconfirmedGoingBackMovesNothing: (undoneCount: number) =>
    `${undoneCount === 1 ? 'One step becomes' : `${undoneCount} steps become`} unconfirmed. Going back moves nothing on stage; the sheet is recalculated:`,
  stayHere: 'Stay here',
  goBack: 'Go back',
};

export const changedNotice = {
  differencesNotKnown: (failed: string) =>
    `The rig has changed on paper; what differs from the room is not known: ${failed}`,
  tryAgain: 'Try again',
  changedWhilePlugged: (names: string) => `The rig has changed on paper while plugged: ${names}.`,
  seeWhatDiffers: 'See what differs',
  nothingPluggedDiffers: 'The rig has changed on paper; nothing that is plugged differs.',
  goOnWithTheRig: 'Go on with the rig as it is now',
  lookingForDifferences: 'The rig has changed on paper; looking for what differs from the room …',
};

export const differencesView = {
  roomAndPaper: 'Room and paper',
  theRigHasChanged: 'The rig has changed on paper',
  pluggedBeforeTheChangeLook: (differencesCount: number) =>
    `${differencesCount === 1 ? 'This line was' : 'These lines were'} plugged before the change. Look at ${differencesCount === 1 ? 'it' : 'them'}: what stays as it was is pulled by the next sheet before anything is turned on.`,
  inTheRoom: 'In the room',
  onPaper: 'On paper',
  notThereAnyMore: 'not there any more',
  howIsPluggedNow: (name: string) => `How ${name} is plugged now`,
  stillPlugged: 'Still plugged as it was',
  pluggedAsOnPaperNow: 'Plugged as on paper now',
  pulledBothEnds: 'Pulled, both ends',
  followingTheCircuits: 'Following the circuits …',
  goOnFromHere: 'Go on from here',
  backToTheSheet: 'Back to the sheet',
};

export const finishedView = {
  theSetUpIsDone: 'The set-up is done',
  theChangeOverIsDone: 'The change-over is done',
  theStrikeIsDone: 'The strike is done',
  theSheetIsDone: 'The sheet is done',
  butNotAllOfIt: ', but not all of it',
  couldNotBeSwitched: (groups: string) => `Could not be switched, and still on if they were: ${groups}.`,
  leftAsTheyAre: (lines: string) => `Left as they are: ${lines}.`,
  dontJudgeSoundBeforeCapsules: (dayjs: string, agoText: string) =>
    `Don’t judge sound before ${dayjs} (${agoText}): capsules and capacitors are settling.`,
  onInBreaks: (on: string, schoolLabel: string, why: string) => `On: ${on}. In breaks: ${schoolLabel} (${why}).`,
  stillOnOrNotKnown: (supplied: string) => ` Still on, or not known: supply of ${supplied}.`,
  everyInletFeedIsOff: (suppliedCount: string) => `Every inlet feed is off.${suppliedCount}`,
  lineCheck: 'Line check',
  newRunSheet: 'New run sheet',
};

export const followView = {
  newSheet: 'New sheet',
  lineCheck: 'Line check',
  theRigNow: 'The rig now',
  itStaysOff: 'It stays off.',
  thisSwitchWontTurnOff:
    'This switch won’t turn off. Monitors down, then switch its device off. Check 48 V is not back when it restarts.',
  thisSheetTurnsItOff: 'This sheet turns it off.',
};

export const foundDialog = {
  whatDidYouFind: 'What did you find?',
  somethingElse: 'Something else …',
  cancel: 'Cancel',
};

export const leftOutList = {
  leftOut: 'Left out',
  tryAgainOf: (title: string) => `Try again: ${title}`,
  tryAgain: 'Try again',
};

export const lineCheckView = {
  lineCheck: 'Line check',
  ofLinesChecked: (checked: number, lines: number, bad: number) =>
    `${checked} of ${lines} lines checked${bad > 0 ? `, ${bad} not right` : ''}`,
  backToTheSheet: 'Back to the sheet',
  nothingIsPluggedThroughYet:
    'Nothing is plugged through yet. Follow a set-up first; then every line is listened to here.',
  everyLineHasBeenChecked: 'Every line has been checked.',
  next: (name: string) => `Next: ${name}`,
  lines: 'Lines',
  notChecked: 'not checked',
  notRight: 'not right',
  haveItPlayedSpoken: (source: string) => `Have it played, spoken or tapped: ${source}.`,
  checkedAlreadyCheckingItAgain: (before: undefined | string) =>
    `Checked already: ${before ?? 'good'}. Checking it again replaces that.`,
  changedNotWrittenDownYet: (clock: string) => `Changed at ${clock}, not written down yet.`,
  notWrittenDownYet: (found: undefined | string) => `${found ?? 'good'}, not written down yet`,
  tickWhatIsNotRight: 'Tick what is not right',
  good: (good: string) => ` (good: ${good})`,
  note: 'Note',
  writeItDownNextLine: 'Write it down, next line',
  allGoodNextLine: 'All good, next line',
  whatItShouldDo: 'What it should do, and why',
  measureItFindTheNoise: 'Measure it, find the noise',
  gainAboutDb: (gainNeeded: number) => `Gain about ${gainNeeded} dB.`,
};

export const momentChart = {
  inOrderUpToHot: (title: string, right: string, muted: boolean, wrong: string) =>
    `${title}: in order up to ${right}${muted ? ', muted' : ''}; hot-plugged up to ${wrong}.`,
  inOrder: (muted: boolean) => `in order${muted ? ', muted' : ''}`,
  hotPlugged: (muted: boolean) => `hot-plugged${muted ? ', unmuted' : ''}`,
};

export const momentPanel = {
  noLineOfThisRig: 'No line of this rig is on a switch that feeds it.',
  line: 'Line',
  wayTheSwitchTurns: 'Way the switch turns',
  off: 'off',
  followingTheCircuit: 'Following the circuit …',
  thisFeedDoesNotReach: 'This feed does not reach the line.',
  voltageAcrossTheSource: 'Voltage across the source',
  stepAtTheInlet: 'Step at the inlet',
  doneInOrder: 'Done in order:',
  atMostAcrossTheSource: (source: string, inlet: string) =>
    ` ${source} at most across the source, ${inlet} at the inlet. Muted, it is not heard in the mix.`,
  atUnmuted: (action: string, feed: string) => `${action === 'on' ? 'Hot-plugged' : 'Pulled hot'} at ${feed}, unmuted:`,
  acrossTheSource: (source: string, inlet: string, gain: number, heard: number) =>
    ` ${source} across the source, ${inlet} at the inlet. At ${quantity(gain, 'dB')} of gain that is ${heard > 0 ? `${quantity(heard, 'dB')} over full scale. Anyone listening gets all of it.` : `${quantity(heard, 'dBFS')}.`}`,
  computedFromTheCircuitHow:
    "Computed from the circuit. How long a plug stays in each position, and what the feed's own filter holds, are common practice or assumed. A loud step can hurt ears.",
  switchTo: (name: string, feed: string) => `${name} to ${feed}`,
};

export const monitorsMoved = {
  downDuringThisSheet: (down: string) => `Down during this sheet: ${down}.`,
  stillPlaying: (stay: string) => `Still playing: ${stay}.`,
};

export const nextHere = {
  lines: (leftCount: number) => `${leftCount} lines`,
  withoutItLeftOfYou: (steps: number, stepsCount: number, names: string, leftCount: number) =>
    `Without it ${plural(steps, 'step is', 'steps are')} left of ${stepsCount}${names ? `; ${names} ${leftCount === 1 ? 'stays' : 'stay'} as ${leftCount === 1 ? 'it is' : 'they are'}` : ''}. You can try it again later.`,
};

export const notPossibleDialog = {
  cantGetThere: 'can’t get there',
  itIsBroken: 'it is broken',
  theCableDoesntReach: 'the cable doesn’t reach',
  somethingIsMissing: 'something is missing',
  somebodyNeeds: 'somebody needs it as it is',
  whyCantYouDo: 'Why can’t you do this?',
  anotherReason: 'Another reason',
  leaveItOut: 'Leave it out',
  cancel: 'Cancel',
};

export const orderChoice = {
  fewestWalks: 'Fewest walks',
  shortestWaits: 'Shortest waits',
  orderOfTheSteps: 'Order of the steps',
  minWaitingAboutMinAlone: (walks: number, waits: string, value: number) =>
    `: ${plural(walks, 'walk')}, ${waits} min waiting, about ${value} min alone`,
};

export const rigNow = {
  tapAnythingThatIsDifferent: 'Tap anything that is different. The sheet is recalculated.',
  monitors: 'Monitors',
  allOtherMonitors: 'All other monitors',
  speakersAndHeadphones: 'Speakers and headphones',
  notKnown: 'not known',
  switches: 'Switches',
  power: 'Power',
  powerOf: (name: string) => `Power of ${name}`,
  onOrOff: 'on or off ?',
  lines: (place: string) => `Lines, ${place}`,
  notOnPaperAnyMore: (inlet: string) => `${inlet}, not on paper any more`,
  atItsSource: (name: string) => `${name}, at its source`,
  sourcePlugged: 'source plugged',
  sourceUnplugged: 'source unplugged',
  source: 'source ?',
  atItsInlet: (name: string) => `${name}, at its inlet`,
  inletPlugged: 'inlet plugged',
  inletUnplugged: 'inlet unplugged',
  inlet: 'inlet ?',
  muteOf: (name: string) => `${name}, mute`,
  muteNotKnown: 'mute ?',
  supplyOf: (name: string) => `Supply of ${name}`,
  supplyOn: 'supply on',
  supplyOff: 'supply off',
  supply: 'supply ?',
  onBatteries: 'on batteries',
  onMainsAndBatteries: 'on mains and batteries',
  treatAsLive: 'treat as live',
  notKnownUntil: 'not known until it has power',
  treatAsCharged: 'treat as charged',
  on: 'on',
  toSettle: (settling: string) => `, ${settling} to settle`,
  comesBack: ', comes back on with the power',
  left: (left: string) => `${left} left`,
  offWait: (passed: string, value: string, wait: string, back: string) =>
    `off ${passed}, ${value}, wait ${wait}${back}`,
  down: 'down',
  up: 'up',
  onSince: (passed: string, settling: string) => `on ${passed}${settling}`,
  charged: 'charged',
  discharged: (back: string) => `discharged${back}`,
};

export const startView = {
  thisRigHasNoLines:
    'This rig has no lines yet. Add a device and a line in the Rig place first, or open another rig there.',
  howTheRigIsNow: 'How the rig is now',
  whatStateIsTheRig: 'What state is the rig in?',
  fromHereOnInletCheck:
    'From here on Inlet Check remembers which plugs are in, which feeds are on, and what is still charged.',
  everythingIsPackedAndOff: 'Everything is packed and off',
  onlyIfYouAreSure:
    'Only if you are sure: nothing plugged, nothing has power. Monitors, mutes and switches that come back with the power are looked at before the first plug.',
  unknownTreatEverythingAsLive: 'Unknown: treat everything as live',
  everyFeedCounts:
    'Every feed counts as on, every inlet as unmuted. The first steps find out; correct at the right what you can see.',
  startFromHereAs: (title: string) => `Start from here: ${title}`,
  startFromHere: 'Start from here',
  leaveIt: 'Leave it as it is',
};

export const stationStrip = {
  places: 'Places',
  whereYouAre: 'Where you are',
  onePerson: 'One person',
  goesEverywhere: 'goes everywhere',
  stepsLeft: 'steps left',
  doneHere: 'done here',
  theNextStep: 'The next step',
  nothingLeft: (here: string) => `Nothing left at ${here}`,
  stepsAreLeft: (places: string) => `Steps are left at ${places}.`,
  waits: (value: string) => `waits ${value}`,
  waitsFor: (place: undefined | string) => `waits for ${place}`,
  goTo: (place: string) => `Go to ${place}`,
};

export const stepCard = {
  theNextStep: 'The next step',
  anyPosition: 'Any position',
  walkTo: (place: string) => `Walk to: ${place}`,
  stepOf: (number: number, doneCount: number) => `step ${number} of ${doneCount}`,
  firstAt: (place: undefined | string) => `First, at ${place}`,
  look: 'Look',
  caution: 'Caution',
  space: 'Space',
  waiting: 'Waiting',
  continueWord: 'Continue',
  done: 'Done',
  itCameUpOff: 'It came up off: no wait',
  markAllHereDone: (alike: number, several: undefined | string) =>
    `Mark all ${alike} ${several ?? 'such steps'} here done`,
  itWasDifferent: 'It was different',
  cantDo: 'Can’t do this',
  noSound: 'No sound?',
  orSwipeLeft: 'or swipe left',
};

export const stepList = {
  stepsThatFollow: 'Steps that follow',
  thenAt: (here: string) => `Then, at ${here}`,
  then: 'Then',
  about: (seconds: string, reasons: undefined | string) => `, about ${seconds}: ${reasons}`,
  earlier: (title: string) => `Earlier: ${title}`,
  later: (title: string) => `Later: ${title}`,
  showFewer: 'Show fewer',
  showAll: (ownCount: number) => `Show all ${ownCount}`,
  stepsDone: 'Steps done',
  hideWhatIsDone: 'Hide what is done',
  doneSoFar: (doneCount: number) => `Done so far: ${doneCount}`,
  backTo: 'Back to it',
};

export const switchBar = {
  connecting: 'connecting …',
  connectionLostSteps: 'connection lost: steps are not recorded, clocks keep running',
  yourName: 'Your name',
  yourNameForTheLog: 'Your name, for the log',
  aToneTellsWhen: 'A tone tells when a wait is over',
  noTone: 'No tone',
  turnTheToneOff: 'Turn the tone off',
  turnTheTone: 'Turn the tone on',
  theSheetOnPaper: 'The sheet on paper',
  connected: 'connected',
};

export const switchPlace = {
  besideTheSheet: 'Beside the sheet',
  theRigNow: 'The rig now',
  whatHappensNow: 'What happens now',
  backToTheSheet: 'Back to the sheet',
};

export const useSwitching = {
  stepNotRecorded:
    'Not recorded: no answer from the server. You may have done this step; tap Done again when it is back.',
  tickNotRecorded:
    'Not recorded: no answer from the server. What you ticked stays here; tap the button again when it is back.',
};

export const waitClock = {
  theWaitIsOver: 'The wait is over',
  left: (left: string) => `${left} left`,
  over: 'Over',
  partOfTheWait: 'Part of the wait that has passed',
  whatTheWait: 'What the wait is for',
  until: 'until',
  calculated: 'calculated',
  rule: 'rule',
  hasSettled: 'has settled',
  isDischarged: 'is discharged',
  onlyTheLongest: 'Only the longest',
  andMore: (more: number) => `and ${more} more`,
  using: ', using',
};

export const waysView = {
  waysToChangeItOver: 'Ways to change it over',
  findingTheChangeThatAffects: 'Finding the change that affects fewest lines …',
  fewestLinesAffectedFirst: 'Fewest lines affected first',
  noFreeInletWouldAffect: 'No free inlet would affect fewer lines',
  besideIt: (name: string) => `Beside it, on ${name}`,
  onItsOwnInlet: (name: string) => `On its own inlet, ${name}`,
  feed: (feed: string) => `, feed ${feed}`,
  theOldSourceStaysPlugged: ' The old source stays plugged and muted until the feed has settled.',
  affects: (disturbedCount: number, disturbed: string) => `Affects ${disturbedCount}: ${disturbed}.`,
  affectsNobodyElse: 'Affects nobody else.',
  startThisChangeOver: 'Start this change-over',
};

export const disturbed = {
  during: (names: string) => `Muted or unpowered during this sheet: ${names}`,
  andMore: (count: number) => `and ${count} more`,
  fewer: 'fewer',
};
