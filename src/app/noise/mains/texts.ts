/** Every text of `app/noise/mains`, by the file that shows it. */

export const addUnits = {
  addAUnitOfAKind: 'Add a unit of a kind',
  add: 'Add:',
  addAUnit: 'Add a unit',
  plugNewUnitsInto: 'Plug new units into',
  theWall: 'the wall',
  anotherUnit: 'Another unit',
  unitsAreTheMost: (mostUnits: number) => `${mostUnits} units are the most`,
  kindOfUnit: 'Kind of unit',
  addUnit: 'Add unit',
};

export const besideTable = {
  linesBesideMainsLeads: 'Lines beside mains leads and coils',
  line: 'Line',
  field: 'Field',
  beside: (line: string, unit: string) => `${line} beside ${unit}`,
  coilOf: 'coil of ',
  leadOf: 'lead of ',
  remove: (name: string) => `Remove ${name}`,
  runsBeside: 'runs beside',
  theMainsLead: 'the mains lead',
  theTransformerOrMotor: 'the transformer or motor',
  ofUnit: 'of unit',
  add: 'Add',
  length: 'Length',
  besideWhat: 'beside',
};

export const connectionTable = {
  earthOfTheSupply: 'earth of the supply',
  connectionsBesidesTheLines: 'Connections besides the lines',
  between: 'Between',
  kind: 'Kind',
  isolator: 'Isolator',
  isolatorInBetween: (connection: string, between: string) => `Isolator in ${connection} between ${between}`,
  removeBetween: (connection: string, between: string) => `Remove ${connection} between ${between}`,
  from: 'From',
  to: 'To',
  kindOfConnection: 'Kind of connection',
  addConnection: 'Add connection',
  and: 'and',
  joined: ' and ',
};

export const earthTree = {
  loop: (n: number, units: string, amps: string) => `Loop ${n}: ${units}, ${amps}.`,
  unitsOnOutlets: (unitsCount: number, outletsCount: number, loops: string) =>
    `${unitsCount} units on ${outletsCount} outlets. ${loops}`,
  noLoop: 'No loop.',
};

export const figureCell = {
  range: (min: number, max: number, unit: string) => `${min} to ${max} ${unit}`,
};

export const findingMark = {
  notKnownYet: 'Not known yet',
};

export const heardTable = {
  overATransformer: 'over a transformer',
  shellsMv: 'Shells (mV)',
  notRead: 'not read',
  contact: 'Contact (Ω)',
  pin1: 'Pin 1 (Ω)',
  rejectionDb: 'Rejection (dB)',
  noLineConnectsTwo:
    'No line connects two of these units, so none hears hum this way. Choose under “Source of” which line a unit feeds.',
  whatEachLineHears: 'What each line hears',
  line: 'Line',
  humAtTheInlet: 'Hum at the inlet',
  asRecorded: 'As recorded',
  mostOf: 'Most of it from',
  whine: (reads: undefined | string) => `whine ${reads ?? '–'}`,
  measuredAtLines: 'Measured at lines',
  unbalanced: 'unbalanced',
  balanced: 'balanced',
  clean: 'clean',
  usual: 'usual',
  nothing: 'nothing',
  levelWithin: (level: string, within: number) => `${level} ± ${within} dB`,
};

export const mainsImport = {
  theTable: 'The table',
  importATable: 'Import a table of the mains side',
  unitsOutletsAndConnectionsCsv: 'Units, outlets and connections (CSV)',
  theFileCould: 'The file could not be opened. Choose it again.',
  orPaste: 'Or paste it',
  whatNameKindOnUnit: `what,name,kind,on
unit,Hold desk,audio device,audio strip`,
};

export const mainsPanel = {
  findingsAndRemedies: 'Findings and remedies',
  theMainsSideCould: (failed: string) => `The mains side could not be calculated. ${failed}`,
  calculating: 'Calculating …',
  doneOnTheRigUndo: 'Done on the rig. Undo takes it back.',
  protectiveEarthIsNeverLifted:
    'Protective earth is never lifted, for no hum. Sockets, boards and fixed wiring: a licensed electrician, under local code. Remedies stand in the order of what they cost; what each changes is known better than the level itself.',
  briefForAnElectrician: 'Brief for an electrician',
  aVoltmeterBetweenTheShells: 'A voltmeter between the shells of its two plugs, both pulled, would tell it to ± 4 dB:',
  theCommonModeRejection: 'The common-mode rejection of its inlet would tell it to ± 12 dB:',
  cannotSay: 'cannot say',
  doItOnTheRig: (what: string) => `Do it on the rig: ${what}`,
  doIt: 'Do it',
  figureOf: (label: string, name: string) => `${label} of ${name}`,
  silent: 'silent',
};

export const mainsTable = {
  table: (title: string) => `${title}: table`,
};

export const mainsView = {
  earthTreeAndGroundLoops: 'Earth tree and ground loops',
  earthConductorsFromTheLeft:
    'Earth conductors from the left; shields and other connections at the right, dashed. The thicker, the more current runs; loop 1, heaviest, is the one the worst line hears. Drag a unit onto an outlet to plug it in there.',
  supply: 'Supply',
  neutralAndEarth: 'Neutral and earth',
  unknownAssumedBonded: 'unknown (assumed bonded)',
  bondedAtTheSupply: 'bonded at the supply',
  notBondedInverterGenerator: 'not bonded (inverter, generator)',
  conductorsOfTheSupply: 'Conductors of the supply',
  liveAndNeutral: 'live and neutral',
  balancedTransformer: 'balanced transformer',
  ofTheVoltage: (label: string) => `${label} of the voltage`,
  exportAsCsv: 'Export as CSV',
  importATable: 'Import a table',
};

export const outletTable = {
  leadM: 'Lead (m)',
  sectionMm: 'Section (mm²)',
  earthPath: 'Earth path (Ω)',
  notRead: 'not read',
  ratingA: 'Rating (A)',
  outletsAndStrips: 'Outlets and strips',
  outlet: 'Outlet',
  pluggedInto: 'Plugged into',
  load: 'Load',
  isPluggedInto: (name: string) => `${name} is plugged into`,
  theWall: 'the wall',
  inItsEarth: (inEarth: string) => `${inEarth} in its earth`,
  lastsAboutMin: (lasts: number) => `lasts about ${lasts} min`,
  remove: (name: string) => `Remove ${name}`,
  usual: 'usual',
  unknown: 'unknown',
  upsWh: 'UPS (Wh)',
  none: 'none',
  figureOf: (label: string, name: string) => `${label} of ${name}`,
};

export const plugByHand = {
  pickedUp: (id: string) => `Picked up ${id}.`,
  over: (id: string) => `Over ${id}.`,
  notOverAnOutlet: 'Not over an outlet.',
  pluggedInto: (id: string) => `Plugged into ${id}.`,
  putBack: 'Put back.',
  earthTree: 'Earth tree',
};

export const treeLayout = {
  noEarth: 'no earth',
  batteries: 'batteries',
  twoPin: 'two-pin',
};

export const unitDetails = {
  theChassis: 'the chassis',
  overAResistor: 'over a resistor',
  moreAboutUnitsAndOutlets: 'More about units and outlets, where it is known',
  moreAboutUnits: 'More about units',
  unit: 'Unit',
  chassisToEarthV: 'Chassis to earth (V)',
  touchCurrentMa: 'Touch current (mA)',
  audioGround: 'Audio ground',
  earthCurrentBlocker: 'Earth-current blocker',
  notRead: 'not read',
  audioGroundOf: (name: string) => `Audio ground of ${name}`,
  earthCurrentBlockerOf: (name: string) => `Earth-current blocker in the lead of ${name}`,
  moreAboutOutlets: 'More about outlets',
  outlet: 'Outlet',
  lifted: 'lifted',
};

export const unitTable = {
  units: 'Units',
  unit: 'Unit',
  plug: 'Plug',
  outletOrStrip: 'Outlet or strip',
  sourceOf: 'Source of',
  currentA: 'Current (A)',
  filterNf: 'Filter (nF)',
  leakage: 'Leakage',
  chassis: 'Chassis',
  plugOf: (name: string) => `Plug of ${name}`,
  wall: 'wall',
  outletOf: (name: string) => `Outlet of ${name}`,
  remove: (name: string) => `Remove ${name}`,
  isTheSource: (name: string) => `${name} is the source of`,
  noLine: 'no line',
};

export const worthKnowing = {
  stillToFindOut: 'Still to find out',
  typicalValuesStand: 'Typical values stand in for the rest. These decide whether a line is above your target.',
  nothingUnknownHereWouldChange: 'Nothing unknown here would change a result.',
  ifKnown: (what: string) => `${what}, if known`,
  unknown: 'unknown',
};
