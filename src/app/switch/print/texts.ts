/** Every text of `app/switch/print`, by the file that shows it. */

export const page = {
  runSheet: 'Run sheet',
  setUp: 'Set-up',
  changeOver: 'Change-over',
  strike: 'Strike',
  noSheetYet: 'No sheet yet',
  revisionDoneToDo: (revision: number, doneCount: number, stepsCount: number) =>
    `Revision ${revision} · ${doneCount} done · ${stepsCount} to do.${stepsCount ? ' Monitors and headphones stay down until the last step.' : ''}`,
  backToTheSheet: 'Back to the sheet',
  noRunSheetIsOpen: 'No run sheet is open. Start one in Switch.',
  hasSettled: 'has settled',
  isDischarged: 'is discharged',
  calculated: ': calculated',
  rule: ', rule',
  usingThe: '; using the',
  calculatedOne: 'calculated one',
  isRule: 'rule',
  caution: (caution: string) => `Caution: ${caution}`,
  anyPosition: 'Any position',
};
