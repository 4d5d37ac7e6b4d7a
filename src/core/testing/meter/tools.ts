import { LOAD } from '../instruments/testLoad';
import { lampAmps, STICK } from '../instruments/lamps';
import { across, openEnd } from '../readings/openEnd';
import { subjectOf } from '../subject';
import { FEEDS, PHANTOMS, type PhantomName } from '../../standards/feeds';
import type { Amps, Volts, Watts } from '../../units';

/** What the home-made instruments show on a good inlet, by its feed. */
export interface ToolReading {
  feed: PhantomName;
  label: string;
  open: Volts;
  /** Through each lamp of the stick. */
  lamp: Amps;
  /** Across the load on one leg. */
  load: Volts;
  /** In the load. */
  watts: Watts;
  /** From one leg straight to the common contact. */
  short: Amps;
}

const METER = 10e6;
const NOTHING = 1e-3;

/** Parts of the stick and of the load, in ohms. */
export const TOOL_PARTS = { stick: STICK.ohms, load: LOAD } as const;

/** What the stick, the load and a meter show on every phantom feed, from the solved circuit of an inlet. */
export const toolReadings = (): ToolReading[] =>
  PHANTOMS.map((feed): ToolReading => {
    const inlet = { kind: 'three-pin', choices: { feed } };
    const subject = subjectOf({ id: 'inlet', name: 'inlet', source: { kind: 'moving-coil' }, links: [], inlet }, 0);
    const end = openEnd(subject.sound, 0);
    const read = (ohms: number) => end.read([across(end, 'tool', '2', '1', ohms)]);
    const load = read(LOAD).volts('2', '1');
    return {
      feed,
      label: FEEDS[feed].label,
      open: read(METER).volts('2', '1'),
      lamp: lampAmps(subject, subject.sound, 0)[0].amps,
      load,
      watts: load ** 2 / LOAD,
      short: read(NOTHING).amps('tool'),
    };
  });
