import { cableBox, ohmmeter } from './ohmmeter';
import { desk } from './desk';
import { exchange, replug } from './exchange';
import type { Instrument } from './instrument';
import { lamps } from './lamps';
import { listening, wiggling } from './listening';
import { milliammeter } from './milliammeter';
import { testLoad } from './testLoad';
import { voltmeter } from './voltmeter';

/** Every instrument, in the order in which they are listed. */
export const INSTRUMENTS: readonly Instrument[] = [
  listening,
  ...desk,
  wiggling,
  replug,
  exchange,
  lamps,
  voltmeter,
  testLoad,
  milliammeter,
  cableBox,
  ohmmeter,
];

export const instrumentNamed = (name: string): Instrument | undefined =>
  INSTRUMENTS.find((instrument) => instrument.name === name);

export * from './instrument';
