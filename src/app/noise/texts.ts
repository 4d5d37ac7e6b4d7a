import { quantity } from '@/core/units/format';

/** Every text of `app/noise`, by the file that shows it. */

export const page = {
  noise: 'Noise',
};

export const accountList = {
  noneOfTheSuspects: 'None of the suspects',
  itStaysWithEverythingOff: 'It stays with everything off that may go: the line itself, or what stays on',
  nobodyHereItComes: 'Nobody here: it comes and goes by itself',
  somethingElseNoSet: 'Something else: no set of these suspects goes with what was measured',
  result: 'Result',
  soFar: 'So far',
  aLoopNeedsBoth: ' – a loop: needs both',
  aLoopOnlyAllThree: ' – a loop: only all three together',
  butNotAlwaysWhen: ' – but not always when it is on',
  togetherWith: ' together with ',
  aloneOrInALoop: (stays: string) => ` – alone, or in a loop with what stays on (${stays})`,
  sure: (component: string, dbfs: string, value: number) => `${component}, ${dbfs}; ${value} % sure`,
  forTheRepairShopOn: (culprit: string, component: string) => `For the repair shop: ${culprit}, ${component}`,
  forTheRepairShop: 'For the repair shop',
  whatIsNotKnown: 'What is not known',
};

export const budgetRemedies = {
  whatWouldHelp: 'What would help',
  mostOfItIsHum:
    'Most of it is hum. A hunt finds who makes it; what helps against it, and by how much, is in the Mains tab.',
  noneOfTheUsualRemedies: 'None of the usual remedies would gain anything here.',
  doIt: 'Do it',
  peaksNearer: (peak: number) => `peaks ${quantity(peak, 'dB')} nearer`,
  inAUsualRoom: (usually: number) => `${quantity(usually, 'dB')} in a usual room`,
  betterSignalToNoise: (most: number) => `${quantity(most, 'dB')} better signal-to-noise`,
  worseSignalToNoise: (most: number) => `${quantity(most, 'dB')} worse signal-to-noise`,
  nothing: 'nothing',
  doItOf: (label: string) => `Do it: ${label}`,
};

export const budgetView = {
  solvingTheLine: 'Solving the line …',
  gainSetDb: 'Gain set (dB)',
  blankPlannedGain: 'blank: planned gain',
  from60To120: 'from −60 to 120',
  includesTheHumMeasuredLast: 'includes the hum measured last time',
  doneUndoTakesItBack: (label: string) => `Done: ${label}. Undo takes it back.`,
  peaksByTheSchool: (peakTarget: string, floorMeter: string) =>
    `Peaks by the school “${peakTarget}”, the floor by “${floorMeter}”. 20 Hz to 20 kHz, 20 °C; noise currents of amplifiers are left out; a room in dB(A) tells nothing below 80 Hz, so rumble is a range; as accurate as the room and gear figures.`,
  levelPlan: 'Level plan',
  gain: 'Gain',
  neededTheInlet: (gainNeeded: number, gainMax: number) =>
    `${quantity(gainNeeded, 'dB')} needed; the inlet has ${quantity(gainMax, 'dB')}`,
  neededTheInletBegins: (gainNeeded: number, gainMin: number) =>
    `${quantity(gainNeeded, 'dB')} needed; the inlet begins at ${quantity(gainMin, 'dB')}`,
  peaks: 'Peaks',
  belowFullScale: (toFullScale: number) => `${quantity(toFullScale, 'dB')} below full scale`,
  beforeTheSourceClips: (atSource: number) => `${quantity(atSource, 'dB')} before the source clips`,
  predictedFloor: 'Predicted floor',
  target: (target: string, most: string) => `target ${target}${most}`,
  aWeighted: 'A-weighted',
  weightedAtTheInlet: (known: number) => `${quantity(known, 'dBu(A)')} at the inlet`,
  atTheInlet: 'At the inlet',
  noiseBeforeTheInletClips: (known: number, atInlet: number) =>
    `noise ${quantity(known, 'dBu')}; ${quantity(atInlet, 'dB')} before the inlet clips`,
  peakToFloor: 'Peak to floor',
  aWeightedLevel: (peak: number) => `${quantity(peak, 'dB')} A-weighted`,
  whoseNoise: 'Whose noise it is',
  whoseNoiseOf: (name: string) => `Whose noise it is: ${name}`,
  weighting: 'Weighting',
  unweighted: 'Unweighted',
  sharesOfTheNoise: 'Shares of the noise',
  without: 'Without ',
  withoutOneIs: (name: string, share: string) => ` Without ${name}: ${share}.`,
  noChange: 'no change',
  quieter: (gained: number) => `${quantity(gained, 'dB')} quieter`,
  ofGain: (least: number, most: number) => `of ${quantity(least, 'dB')} to ${quantity(most, 'dB')}`,
  atMost: (most: string, by: string) => `; to ${most} ${by}`,
};

export const courseChart = {
  levelOverTime: 'Level over time',
  shadedNotTheFloor: ' – shaded: not the floor',
  fromToRmsTarget: (quietestDbfs: number, loudestDbfs: number, target: number, disturbancesCount: number) =>
    `From ${quantity(quietestDbfs, 'dBFS')} to ${quantity(loudestDbfs, 'dBFS')} RMS; target ${quantity(target, 'dBFS')}.${disturbancesCount ? ' Shaded: left out of the floor.' : ''}`,
  target: 'target',
};

export const floorList = {
  line: 'Line',
  lines: 'Lines',
  noPrediction: 'no prediction',
  aboveTheTarget: 'above the target:',
  bothFloors: (dbfs: number, weighted: number) => `${quantity(dbfs, 'dBFS')} · ${quantity(weighted, 'dB(A)')}`,
};

export const huntBoard = {
  noConnectionNothingWasMeasured: 'No connection. Nothing was measured; measure again when the server is back.',
  notTaken: (reasons: string) => `Not taken: ${reasons}`,
  weighingWhoIsLeft: 'Weighing who is left …',
  measureAgainAnyway: 'Measure again anyway',
  doneAfterMeasurementsResultBelow: (stepsCount: number) => `Done after ${stepsCount} measurements. Result below. `,
  keptWithTheRig: 'Kept with the rig as measured. Undo takes it back.',
  undoTheLastMeasurement: 'Undo the last measurement',
  asAPageToShare: 'As a page to share',
  nextMeasurement: 'Next measurement',
  measurement: (count: number) => `Measurement ${count}`,
  off: 'Off:',
  on: 'On:',
  leaveEverything: 'Leave everything as it is.',
  yourOwnChoice: 'Your own choice of who is on.',
  monitorsDownWhileAnything: (why: string) =>
    `${why} Monitors down while anything is plugged or switched. Of several channels the first is read.`,
  onNowOfChange: (onCount: number, suspectsCount: number) => `On now: ${onCount} of ${suspectsCount} (change)`,
  backToTheProposal: 'Back to the proposal',
};

export const huntDifference = {
  againstTheModel: 'Against the model',
  humAtTheInletHeard: 'Hum at the inlet: heard ',
  calculated: ', calculated ',
  db: ' dB.',
  theyAgreeTheMainsSide: 'They agree: the mains side of this rig explains what was heard.',
  thatIsThanTheMains: (off: number, explainedCount: number) =>
    `That is ${quantity(Math.abs(off), 'dB')} ${off > 0 ? 'more' : 'less'} than the mains side of this rig explains${explainedCount ? '. One of these would explain it; look before you keep it:' : ', and no single figure would: a field, a unit nobody has listed, or another gain than the planned one.'}`,
  keepAsMeasuredOf: (what: string) => `Keep as measured: ${what}`,
  keepAsMeasured: 'Keep as measured',
};

export const huntExpected = {
  theHum: 'the hum',
  theWhine: 'the whine',
  together: (names: string) => `${names} together`,
  comesFrom: (what: string, suspects: string) => `${what} comes from ${suspects}`,
  calculatedFromTheMainsSide: (parts: string) =>
    `Calculated from the mains side, before anything was measured: ${parts}. The hunt looks there first, but only measurements decide.`,
};

export const huntSetup = {
  everythingIsOnFirstUnits: 'Everything is on first; units are taken away.',
  theInletDevice: 'The inlet device and the computer on headphones first, then loudspeakers, then the rest.',
  wayOfWorking: 'Way of working',
  suspectsCounted: (suspectsCount: number) => `Suspects (${suspectsCount})`,
  everyMainsUnitDisplayAdapter:
    'Every mains unit, display, adapter, cable run, lamp, wireless unit and transformer nearby. Off = unplugged. Keep on: pumps, refrigeration, safety and medical equipment. Before a desk or supply comes back: monitors down, its 48 V off, ribbons out.',
  suspects: 'Suspects',
  neverSwitchOffOf: (name: string) => `Never switch off ${name}`,
  neverSwitchOff: 'Never switch off',
  notSuspected: (name: string) => `Not suspected: ${name}`,
  anotherSuspect: 'Another suspect',
  whatItIs: 'What it is',
  add: 'Add',
  maximumEnterEverythingOnOne: (mostSuspects: number) =>
    `${mostSuspects} maximum: enter everything on one strip as one suspect.`,
  beginTheHunt: 'Begin the hunt',
};

export const huntSteps = {
  everythingOn: 'everything on',
  off: (off: string) => `off: ${off}`,
  measurements: 'Measurements',
  measurementsDbfs: 'Measurements, dBFS',
  number: 'Number',
  who: 'Who',
  on: (on: string) => `on: ${on}`,
  nothing: 'nothing',
};

export const huntTab = {
  titleOf: (line: string) => `Hunt on ${line}`,
  newTitleOf: (name: string) => `A hunt on ${name}`,
  huntsOfThisRig: 'Hunts of this rig',
  measured: (line: string, way: string, stepsCount: number) => `${line}, ${way}, ${stepsCount} measured, `,
  beginAnotherHunt: 'Begin another hunt',
  aHuntMeasuresOneLine:
    'A hunt measures one line over and over while units are turned on and off, and proposes each time what splits the remaining suspects best. Every measurement is in the Log; a hunt can be left and gone on with.',
};

export const keepForm = {
  theFiguresAreKept: (why: string) => `The figures are kept, the sound is not: ${why}`,
  keepTheFigures: 'Keep the figures',
  name: 'Name',
  saveTheAudioToo: 'save the audio too',
  kept: 'Kept',
  sendingTheSound: 'Sending the sound …',
  sendTheSoundAgain: 'Send the sound again',
};

export const keptPanel = {
  acceptableFloorDbfsRms: 'Acceptable floor (dBFS RMS)',
  atTheGain: 'at the gain that is used',
  dbfsBelow0EG: 'dBFS, below 0, e.g. −60',
  readTheFloor: 'Read the floor',
  fullScaleSineReads: 'Full-scale sine reads',
  yourName: 'Your name',
  kept: 'Kept',
  nothingSavedMeasureThisLine: 'Nothing saved. Measure this line and save it to compare tomorrow.',
  keptMeasurements: 'Kept measurements',
  olderOnes: (why: string) => `Older measurements of this line could not be loaded. ${why}`,
  noNoiseFloor: 'no noise floor · ',
  predicted: (dbfs: string) => ` · predicted ${dbfs}`,
  gain: (gain: number) => ` · gain ${quantity(gain, 'dB')}`,
  soundOf: (name: string) => `Sound of ${name}`,
  remove: (name: string) => `Remove ${name}`,
  showFewer: 'Show fewer',
  showAll: (measurementsCount: number) => `Show all ${measurementsCount}`,
  putBack: 'Put back',
  itsSoundIsGone: ' Its sound is gone; its figures can be put back.',
  removed: 'Removed.',
  ladders: 'Ladders',
  keptLadders: 'Kept ladders',
};

export const ladderResultView = {
  whoAddsWhat: 'Who adds what',
  aWeighted: 'A-weighted',
  whoAddsWhatAWeighted: 'Who adds what, A-weighted',
  unweighted: 'Unweighted',
  whoAddsWhatUnweighted: 'Who adds what, unweighted',
  powersAreSubtractedIsOne:
    'Powers are subtracted; ± is one standard deviation, from the spread within and between readings. What differs by less than two of them is not measurable.',
  below: (to: number) => `below ${quantity(to, 'dBFS')}`,
};

export const ladderView = {
  theLadder: (name: string, kind: string) => `${name}: the ${kind} ladder`,
  measureFromTheTopRemove:
    'Measure from the top; remove one thing each time and change nothing else. The drop between two rungs is what that thing adds. Only channel 1 is used.',
  rungs: 'Rungs',
  optional: 'optional',
  notUsable: 'not usable',
  readingAt: (level: string, weighted: string, gain: number, ownCount: number) =>
    `${level} · ${weighted} · gain ${quantity(gain, 'dB')}${ownCount > 1 ? ` · ${ownCount} readings` : ''}`,
  takeOutTheLastReading: (rung: string) => `Take out the last reading: ${rung}`,
  takeOut: 'Take out',
  measureAgain: 'Measure again',
  measure: 'Measure',
  again: 'Again',
  gainSetDb: 'Gain set (dB)',
  keepThisLadder: 'Keep this ladder',
};

export const measureControl = {
  readingSeconds: (origin: string, name: string, seconds: string, peak: number, level: number) =>
    `${origin === 'file' ? 'Measuring' : 'Listening to'} ${name}: ${seconds} s${peak > 0 ? ` · peak ${quantity(level, 'dBFS')}` : ''}`,
  progress: 'Progress',
  stopAndAnalyse: 'Stop and analyse',
  cancel: 'Cancel',
  chooseOrDropAWav: 'Choose or drop a WAV file',
  recordThisBrowsersInput: 'Record this browser’s input',
  nameOfSimulated: 'simulated interface',
  simulatedInterface: 'Simulated interface',
  wavFileToMeasure: 'WAV file to measure',
};

export const measureView = {
  everyoneQuietGatesAndNoise:
    'Everyone quiet. Gates and noise suppression off, gain as in the take. Record 10 s (2 s minimum).',
  gainSetDb: 'Gain set (dB)',
  asPlanned: (gain: string) => `${gain} as planned`,
  recordFor: 'Record for (s)',
  yourEarlierReadingIsStill: (name: string) =>
    `Your earlier reading, “${name}”, is still here: close this message to see it.`,
  from2To600: '2 to 600',
};

export const names = {
  room: 'Room',
  selfNoise: 'Self-noise',
  noiseOfTheSource: 'Noise of the source',
  resistance: 'Resistance',
  amplifier: 'Amplifier',
  preamplifier: 'Preamplifier',
  converter: 'Converter',
  hum: 'Hum',
  calculatedDb: (kind: string, within: number) => `${kind}, calculated (± ${within} dB)`,
  resistorsOfTheInlet: 'Resistors of the inlet',
  atWorst: 'at worst',
  withRumble: 'with rumble',
};

export const noisePlace = {
  levelAndBudget: 'Level and budget',
  measure: 'Measure',
  ladder: 'Ladder',
  hunt: 'Hunt',
  mains: 'Mains',
  keptWithTheLine: 'Kept, with the line, the gain and the date.',
  partsOfTheNoisePlace: 'Parts of the noise place',
  findings: 'Findings',
  targetKept: 'Target, kept',
  findingsOfTheMainsSide: 'Findings of the mains side',
  targetAndWhatWasKept: 'Target and what was kept',
  backToTheNoise: 'Back to the noise',
  tryAgain: 'Try again',
  theNoiseFloorsCould: (failed: string) => `The noise floors could not be calculated. ${failed}`,
  theLadderIsKept: 'The ladder is kept.',
  noLinesYetAddOne: 'No lines yet. Add one in the Rig place; then its level and noise are here.',
};

export const openInput = {
  echoCancelling: 'echo cancelling',
  noiseSuppression: 'noise suppression',
  automaticGain: 'automatic gain',
  thisBrowserGivesPages:
    'This browser gives pages no input here. Open Inlet Check on this machine itself (127.0.0.1) or over https, or choose a file.',
  theBrowserWasNotAllowed:
    'The browser was not allowed to use an input. Allow it beside the address, and record again.',
  thisMachineHasNoInput: 'This machine has no input. Plug in an interface, or choose a file.',
  theInputCannotBeOpened: (message: string) =>
    `The input cannot be opened: ${message}. Close whatever else uses it, and record again.`,
  theBrowserRefusesToRecord: (message: string) => `The browser refuses to record: ${message}`,
  inputOfThisBrowser: 'input of this browser',
  theBrowserDoesNotSay: (on: string) =>
    `The browser does not say that it has switched off ${on}. What it reads may be lower than what the inlet has; trust a file more.`,
};

export const readingView = {
  reading: 'Reading',
  channel: 'Channel',
  channelOf: (n: number) => `channel ${n}`,
  oneChannelOnlyUsually: 'One channel only: usually a two-contact plug in a stereo socket.',
  incompleteFileSFound: (length: string) => `Incomplete file: ${length} found and used.`,
  notUsableAsANoise: 'Not usable as a noise floor.',
  onlyPartOfTheBand: (reaches: number, notCompared: boolean) =>
    `Nothing above ${quantity(reaches, 'Hz')} is in this recording, so the floor reads lower than it is.${notCompared ? ' It is not compared with the prediction.' : ''} Record at 44.1 kHz or more, straight from the interface.`,
  whatWasMeasured: 'What was measured',
  floorRms: 'Floor, RMS',
  floorRmsBySchool: (schoolLabel: string) => `Floor, RMS, ${schoolLabel}`,
  notANoiseFloor: 'not a noise floor',
  aWeighted: 'A-weighted',
  predictedAt: (known: string) => `predicted ${known}`,
  predicted: 'Predicted',
  atOfGain: (gain: number) => `at ${quantity(gain, 'dB')} of gain`,
  quieterThanPredicted: 'Quieter than predicted by',
  louderThanPredicted: 'Louder than predicted by',
  aWeightedLevel: (surplusA: number) => `${quantity(surplusA, 'dB')} A-weighted`,
  whereItComes: 'Where it comes from',
  gainIsHigher: (gain: number) =>
    ` Gain is ${quantity(gain, 'dB')} higher than the peaks need. Lower it for headroom; signal and noise drop together.`,
  aCleanRecordingNothing: 'A clean recording: nothing but the hiss and rush of the line and its room.',
  patterns: 'Patterns',
  usually: (usually: string) => `Usually ${usually}.`,
  findOutWhy: 'Find out why on this line',
  nothingToKeep: 'Not a noise floor, so there is nothing to keep. Fix what is listed above and record again.',
  channelIsHeardInChannel: (from: number, into: number, lower: number) =>
    `Channel ${from} is heard in channel ${into}, ${quantity(lower, 'dB')} lower: crosstalk.`,
  eachWithNoise: ', each with noise of its own',
  channelsAnd: (one: number, other: number, relation: string, own: string) =>
    `Channels ${one} and ${other}: ${relation}${own}.`,
  leftOut: 'Left out:',
  disturbanceAt: (disturbance: string, times: string, more: number, evidence: string) =>
    ` ${disturbance}, ${times}${more > 0 ? ` and ${more} more` : ''} (${evidence}).`,
  aboveTheTarget: (level: number) => `${quantity(level, 'dB')} above the target`,
  belowTheTarget: (target: number) => `${quantity(target, 'dB')} below the target`,
  samplePeak: 'Sample peak',
  rmsAll: 'RMS, all of it',
  rmsOfTheFloor: 'RMS of the floor, all frequencies',
  noFloor: 'no floor',
  quietest400Ms: 'Quietest 400 ms',
  median400Ms: 'Median 400 ms',
  loudest400Ms: 'Loudest 400 ms',
  crestFactor: 'Crest factor',
  directOffset: 'Direct offset',
  mains: 'Mains',
  hzLines: (frequencyHz: string, harmonicsCount: number) => `${frequencyHz} Hz, ${harmonicsCount} lines`,
  noneFound: 'none found',
  steadyTones: 'Steady tones',
  orHarmonic: (harmonic: number) => ` (or harmonic ${harmonic})`,
  broadband: 'Broadband',
  slopeDbOctave: (broadbandDbfs: string, slopeDbPerOctave: string) =>
    `${broadbandDbfs}, slope ${slopeDbPerOctave} dB/octave`,
  rumbleBelow40Hz: 'Rumble below 40 Hz',
  clippedZerosClicksDropouts: 'Clipped · zeros · clicks · dropouts',
  wordLength: 'Word length',
  noWholeNumbers: 'no whole numbers',
  bitsUsed: (bits: number) => `${bits} bits used`,
  allFigures: 'All figures',
  atMost: (most: string, by: string) => `to ${most} ${by}`,
  /** The unit once, where both have it. */
  fromTo: (from: string, to: string) => `${to.endsWith(' s') ? from.replace(' s', '') : from} to ${to}`,
  nothing: 'nothing',
  none: 'none',
};

export const roomField = {
  octaves: (bandsCount: number) => `${bandsCount} octaves`,
  room: (said: string) => `Room: ${said}`,
  assumed: (name: string) => `${name}: assumed`,
  assumedSetItsPosition: 'assumed; set its position in Plan',
  roomNoise: (name: string) => `Room noise: ${name}`,
  fromASoundLevelMeter:
    'From a sound level meter, everyone quiet. One dB(A) figure is enough; octave levels override it.',
  levelDb: 'Level, dB(A)',
  octavesDb: 'Octaves, dB',
  kHz: (hz: number) => `${hz} kHz`,
  levelsAreNumbers0: 'Levels are numbers: 0 to 120 dB(A), octaves −20 to 140 dB.',
  save: 'Save',
};

export const scales = {
  nothing: 'nothing',
};

export const simulatedSettings = {
  addFaults: 'Add faults',
  pace: 'Pace',
  atOnce: 'at once',
  live: 'live',
  none: 'none',
};

export const spectrumChart = {
  spectrumDbfsPerHertz: 'Spectrum, dBFS per hertz.',
  mainsAtHzWithLines: (frequencyHz: string, harmonicsCount: number, value: number) =>
    `Mains at ${frequencyHz} Hz with ${harmonicsCount} lines, the loudest ${quantity(value, 'dBFS')}.`,
  noMainsFound: 'No mains found.',
  tonesAt: (tones: string) => `Tones at ${tones}.`,
  spectrum: 'Spectrum',
  dbfsPerHertz: 'dBFS per hertz',
  mainsHzAndMultiples: (frequencyHz: string) => `mains ${frequencyHz} Hz and multiples`,
  tonesHz: (tones: string) => `tones: ${tones} Hz`,
  measured: 'measured',
  predicted: 'predicted',
};

/** An end of the trend: levels in dBFS. */
interface Trend {
  day: string;
  plain: number;
  weighted: number;
}

export const trendChart = {
  floorAbove80Hz: 'floor above 80 Hz',
  floorAWeighted: 'floor, A-weighted',
  dbfs: 'dBFS',
  noiseFloors: (floorsCount: number, first: Trend, last: Trend, isGrouped: boolean) =>
    `${floorsCount} noise floors, ${first.day} to ${last.day}, from ${quantity(first.plain, 'dBFS')} at first to ${quantity(last.plain, 'dBFS')} at last; A-weighted from ${quantity(first.weighted, 'dBFS')} to ${quantity(last.weighted, 'dBFS')}.${isGrouped ? ' Those of some days stand together, with the range of them.' : ''}`,
  noneOfWhatWasKept: 'None of what was kept is a noise floor.',
  floor: 'floor',
  aWeighted: 'A-weighted',
  acceptable: 'acceptable',
};
