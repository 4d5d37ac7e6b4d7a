import type { PartClass } from '../subject';

/** What may be wrong, as it is counted: a sort of fault in a class of part. */
export type FaultType =
  'open' | 'open at times' | 'shorted' | 'shorted at times' | 'resistive' | 'swapped' | 'damp' | 'dead' | 'not home';

/** What is no fault of a part. */
export type DeskTrouble = 'feed off' | 'other voltage' | 'weak feed' | 'muted' | 'padded' | 'elsewhere';
export type SourceTrouble = 'source off' | 'source dead';

/**
 * How often what is wrong, per part or contact or pair, against each other. Common practice says the order: cables before
 * all else, breaks before shorts, forgotten switches next; the numbers are assumed, and learned from what is confirmed.
 */
export const FAULTS: Readonly<Record<PartClass, Partial<Record<FaultType, number>>>> = {
  cable: {
    open: 6,
    'open at times': 5,
    shorted: 1.6,
    'shorted at times': 0.7,
    resistive: 1.2,
    swapped: 0.4,
    damp: 0.4,
    'not home': 1.5,
  },
  adapter: { open: 2.5, 'open at times': 2, shorted: 0.6, resistive: 0.6, swapped: 0.6, 'not home': 1.5 },
  'patch point': { open: 1.5, 'open at times': 3, resistive: 2, 'not home': 3 },
  box: { open: 1, 'open at times': 0.8, dead: 2, 'not home': 1.5 },
  source: { open: 0.4, 'open at times': 0.6, resistive: 0.3 },
  inlet: { open: 0.25, 'open at times': 0.3, resistive: 0.3, dead: 2.5 },
};

/** The same for what is no fault of a part; each once a line. */
export const TROUBLES: Readonly<Record<DeskTrouble | SourceTrouble | 'nothing', number>> = {
  'feed off': 14,
  'other voltage': 2,
  'weak feed': 1.5,
  muted: 14,
  padded: 2,
  elsewhere: 12,
  'source off': 10,
  'source dead': 5,
  nothing: 4,
};

/** The same, by class, for whoever knows better: everything that may be said otherwise. */
export const PRIORS: Readonly<Record<Repair['class'], Partial<Record<Repair['type'], number>>>> = (() => {
  const { 'source dead': sourceDead, ...desk } = TROUBLES;
  return { ...FAULTS, source: { ...FAULTS.source, 'source dead': sourceDead }, desk };
})();

/** What somebody said otherwise. */
export type OwnPriors = Partial<Record<Repair['class'], Partial<Record<Repair['type'], number>>>>;
/** From this to this it may be said. */
export const [RAREST, COMMONEST] = [0.01, 1000];

/** What is known from other jobs. */
export interface Experience {
  /** Repairs that helped, for how likely things are and how often instruments are misread. */
  repairs?: readonly Repair[];
  priors?: OwnPriors;
}

/** How many times as often as in the table something is, by what somebody said. */
export const timesOwn = ({ class: of, type }: Repair, own: OwnPriors = {}): number => {
  const [said, stated] = [own[of]?.[type], PRIORS[of][type]];
  return said === undefined || stated === undefined ? 1 : said / stated;
};

/** How much the table counts against what was confirmed: as much as so many repairs (assumed). */
export const TABLE_COUNTS_AS = 20;
/** A part that has failed before is so many times likelier, for each time, than one of its class that has not (assumed). */
export const FAILED_BEFORE = 4;

/** A repair that is known to have helped: what it was. */
export interface Repair {
  class: PartClass | 'desk';
  type: FaultType | DeskTrouble | SourceTrouble | 'nothing';
  /** Of the kit, or the name by which a cable is known. */
  item?: string;
  /** Which end it was at, where somebody looked: towards the source or towards the inlet. */
  end?: 'source' | 'inlet';
  /** What was looked at before, by instrument, and whether it fitted what turned out to be wrong. */
  looks?: { instrument: string; fits: boolean }[];
}

/** At which end of a thing its failures were, where somebody looked. */
export const endsOf = (repairs: readonly Repair[], of: string): Record<'source' | 'inlet', number> => {
  const own = repairs.filter(({ item }) => item === of);
  return {
    source: own.filter(({ end }) => end === 'source').length,
    inlet: own.filter(({ end }) => end === 'inlet').length,
  };
};
