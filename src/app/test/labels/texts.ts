/** Every text of `app/test/labels`, by the file that shows it. */

export const page = {
  labels: 'Labels',
  backToTheRegister: 'Back to the register',
  noneOfTheseCables: 'None of these cables has a label of its own any more. Choose them in the register.',
  theCodesOpen: (host: string) =>
    `The codes open http://${host}. Open this page under the address that a phone reaches, and print it from there.`,
};

export const cableLabel = {
  opens: (name: string) => `Opens ${name}`,
};
