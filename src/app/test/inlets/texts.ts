/** Every text of `app/test/inlets`, by the file that shows it. */

export const page = {
  inletSheet: 'Inlet sheet',
  standardOf: (feed: string, least: number, most: number, ohms: string, source: string) =>
    `${feed}: ${least} to ${most} V open, ${ohms} ± 10 % a leg, alike within 0.4 % (${source})`,
  inletsOf: (name: string) => `Inlets of ${name}`,
  meterAndVLoadWithin: (at: string, who: string, share: number, digits: number, load: string, loadTolerance: number) =>
    `${at}${who ? `, ${who}` : ''}. Meter: ${share} % and ${digits} V; load ${load} within ${loadTolerance} %.`,
  backToTest: 'Back to Test',
  inlet: 'Inlet',
  feed: 'Feed',
  openPin23: 'Open, pin 2 · 3',
  resistorPin23: 'Resistor, pin 2 · 3',
  whatItSays: 'What it says',
  aLimitOnlyCounts:
    'A limit only counts as exceeded where the meter is sure. What it cannot tell is said so: read it again with a better meter, or measure pin 2 to 3 with two equal loads.',
  lamps: (lampWord: string) => `lamps: ${lampWord}`,
  asItShould: 'as it should be',
};
