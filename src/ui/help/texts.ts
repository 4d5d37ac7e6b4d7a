/** Every text of `ui/help`, by the file that shows it. */

export const helpButton = {
  keysAndGlossaryHint: 'Keys and glossary (?)',
  keysAndGlossary: 'Keys and glossary',
};

export const helpDialog = {
  keysAndGlossary: 'Keys and glossary',
  keys: (place: string) => `Keys: ${place}`,
  glossary: 'Glossary',
  findAWord: 'Find a word',
  noWordMatchesTry: 'No word matches. Try a shorter one.',
  glossaryOnAPage: 'Glossary on a page',
  close: 'Close',
};
