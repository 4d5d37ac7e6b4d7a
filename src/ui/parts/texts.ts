/** Every text of `ui/parts`, by the file that shows it. */

export const answerDialog = {
  atMost: (characters: number) => `${characters} characters at most`,
  recordTheAnswer: 'Record the answer',
  whoAnswered: 'Who answered',
  whoSaysSoMakerRepair: 'Who says so? Maker, repair shop, manual',
  theMakerARepairShop: 'The maker, a repair shop, the manual',
  when: 'When',
  dateOfTheAnswer: 'Date of the answer',
  whereItIsWritten: 'Where it is written',
  letterPageOrFileOptional: 'Letter, page or file (optional)',
  record: 'Record',
};

export const facts = {
  recordedAnswers: 'Recorded answers',
};

export const faultEditor = {
  brokenConductor: 'broken conductor',
  twoConductorsSwapped: 'two conductors swapped',
  twoConductorsShorted: 'two conductors shorted',
  leakBetweenConductors: 'leak between conductors',
  shieldTiedToTheCold: 'shield tied to the cold conductor',
  faults: 'Faults',
  noneEveryConductorIsGood: 'None: every conductor is good.',
  fault: (n: number) => `Fault ${n}`,
  contact: 'Contact',
  and: 'and',
  leak: 'Leak',
  removeFault: (n: number) => `Remove fault ${n}`,
  addAFault: 'Add a fault',
};

export const partEditor = {
  source: 'Source',
  inlet: 'Inlet',
  link: (role: number) => `Link ${role}`,
  details: (title: string) => `${title}: details`,
  kind: (title: string) => `${title}: kind`,
  figures: 'Figures',
  name: 'Name',
};
