/** Every text of `app/casebook`, by the file that shows it. */

export const page = {
  casebook: 'Casebook',
};

export const casebookPlace = {
  casebookOn: (name: string) => `Casebook · ${name}`,
  situation: 'Situation',
  backToTheList: 'Back to the list',
  casebook: 'Casebook',
  situationsOfTheTrade: (allCount: number) =>
    `${allCount} situations of the trade with the verdict an engineer would give. Every one of them is a test of the check.`,
  searchTheCasebook: 'Search the casebook',
  ribbon48VPatch: 'ribbon 48 V patch',
  noSituationMatchesTryFewer: 'No situation matches. Try fewer words, such as “lavalier camera”.',
};

export const situationPanel = {
  basis: (basis: string) => `Basis: ${basis}`,
  openAsARig: 'Open as a rig',
  whatOtherSchoolsSay: 'What other schools say',
  whatTheCheckSays: 'What the check says',
};
