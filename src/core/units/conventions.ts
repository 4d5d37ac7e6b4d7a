/** How figures and words are written for who reads them: units beside the metre, words, clock, decimals. */

/** What can be set, with the choices in words; the first of each is the standard. */
export const CONVENTIONS = {
  lengths: {
    label: 'Lengths',
    options: [
      { value: 'metres', label: 'metres' },
      { value: 'feet-too', label: 'metres, with feet beside them' },
    ],
  },
  mains: {
    label: 'Mains frequency',
    options: [
      { value: '50', label: '50 Hz' },
      { value: '60', label: '60 Hz' },
    ],
  },
  ground: {
    label: 'Word for ground',
    options: [
      { value: 'ground', label: 'ground' },
      { value: 'earth', label: 'earth' },
    ],
  },
  clock: {
    label: 'Clock',
    options: [
      { value: '24', label: '17:30' },
      { value: '12', label: '5:30 pm' },
    ],
  },
  decimals: {
    label: 'Decimals',
    options: [
      { value: 'point', label: '1.5' },
      { value: 'comma', label: '1,5' },
    ],
  },
} as const;

export type ConventionName = keyof typeof CONVENTIONS;
export type Conventions = { [N in ConventionName]: (typeof CONVENTIONS)[N]['options'][number]['value'] };

export const CONVENTION_NAMES = Object.keys(CONVENTIONS) as ConventionName[];

export const STANDARD_CONVENTIONS = Object.fromEntries(
  CONVENTION_NAMES.map((name) => [name, CONVENTIONS[name].options[0].value]),
) as Conventions;

/** One for all that runs in a process, a worker or a page: bundles of one process share it. */
const shared = globalThis as { inletCheckConventions?: Conventions };

export const conventions = (): Conventions => shared.inletCheckConventions ?? STANDARD_CONVENTIONS;

/** Says how figures and words are written from now on in this process, worker or page. */
export function setConventions(to: Conventions): void {
  shared.inletCheckConventions = to;
}

/** Hertz of the mains where somebody works. */
export const mainsFrequency = (): number => Number(conventions().mains);

/** The patterns of dayjs for a moment of the day. */
export const clockPattern = (seconds: 'with seconds' | 'to the minute' = 'to the minute'): string => {
  const within = seconds === 'with seconds' ? ':ss' : '';
  return conventions().clock === '24' ? `HH:mm${within}` : `h:mm${within} a`;
};

/** What is printed on gear keeps its words, as a ground lift does, and the glossary names both. */
const GROUND = /\b(ground)(?! lift|, earth)(ed|ing|s)?\b/gi;

/** A text with the reader's word for ground. */
export const worded = (text: string): string =>
  conventions().ground === 'ground'
    ? text
    : text.replace(GROUND, (_found, word: string, end = '') => `${word.startsWith('G') ? 'Earth' : 'earth'}${end}`);

/** Digits with the reader's decimal separator. @param digits as programs write them */
export const pointed = (digits: string): string =>
  conventions().decimals === 'comma' ? digits.replace('.', ',') : digits;
