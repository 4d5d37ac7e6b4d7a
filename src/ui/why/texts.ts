/** Every text of `ui/why`, by the file that shows it. */

export const why = {
  noProblemsFoundEveryPart:
    'No problems found. Every part gets the power it needs, and nothing gets more than it is rated for.',
  note: 'Note',
  theLimitIsAssumedNobody: ' The limit is assumed: nobody has confirmed it.',
  yourSchool: (question: string, name: string) => `Your school: ${question}, “${name}”.`,
  basedOn: (basis: string) => `Based on: ${basis}.`,
  becauseOf: (brings: string) => `Because of this: ${brings}.`,
  stillToFindOut: (what: string) => `Still to find out: ${what}`,
  noSingleChangeHereFixes: (look: string) => `No single change here fixes it. ${look}`,
  lookItUpOrAsk: 'Look it up or ask the maker, then record:',
};
