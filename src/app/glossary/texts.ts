/** Every text of `app/glossary`, by the file that shows it. */

export const page = {
  glossary: 'Glossary',
  wordsOfTheTrade: 'Words of the trade and of Inlet Check, from A to Z. ? opens it in every place.',
  backToTheRig: 'Back to the rig',
};
