import { answered } from '../circuit';
import { choose, inletKind, inletReader, linkKind, questions, type Line } from '../gear';
import { plugging, switchOff, switchOn, type Plugging, type SwitchOff } from '../transients';
import type { Dbfs, Dbu, Decibels, Seconds, Volts } from '../units';
import type { Solved } from './solve';

/** The step at an inlet when its feed comes on, and where a gain puts it. */
export interface Step {
  volts: Volts;
  level: Dbu;
  /** Until it has fallen to a hundredth. */
  settles: Seconds;
  /** Level of a sine that reaches 0 dBFS at 0 dB gain; `level - fullScale + gain` is the step in dBFS. */
  fullScale: Dbu;
  /** The planned gain, or the least where no signal was planned. */
  gain: Decibels;
  dbfs: Dbfs;
  ramp: Seconds;
}

/** What happens on a line while it is plugged with its feed on, and when the feed goes on and off. */
export interface Moments {
  plugged: Plugging[];
  /** The same if an open question has the answer that hurts. */
  worse?: { ask: string; answer: string; plugged: Plugging[] };
  on: Step | null;
  off: SwitchOff | null;
  /** Why some of this could not be followed and is missing. */
  notFollowed?: string;
}

/**
 * Follows a line over time. A line without a live feed has nothing to tell.
 * @param last the plugging of what is plugged last, where somebody may have followed it already
 */
export function moments(
  line: Line,
  { circuit, level }: Pick<Solved, 'circuit' | 'level'>,
  last: () => Plugging = () => plugging(line),
): Moments {
  const fed = [...circuit.stakes, ...circuit.others.map(({ stake }) => stake)].some(({ type }) => type === 'feed');
  if (!fed) return { plugged: [], on: null, off: null };
  const patch = line.links.findIndex((part) => linkKind(part.kind).nature === 'TRS patch point');
  const places = [{ junction: 0, patch: false }, ...(patch < 0 ? [] : [{ junction: patch, patch: true }])];
  const worse = feared(line);
  let notFollowed: string | undefined;
  /** A course that has no answer costs nothing else. */
  const tried = <T>(follow: () => T): T | undefined => answered(follow, ({ message }) => (notFollowed ??= message));
  const pluggings = (of: Line) => places.flatMap((place) => tried(() => plugging(of, place)) ?? []);
  const result: Moments = {
    plugged: places.flatMap(
      (place, n) => tried(() => (n === places.length - 1 ? last() : plugging(line, place))) ?? [],
    ),
    ...(worse && { worse: { ask: worse.ask, answer: worse.answer, plugged: pluggings(worse.line) } }),
    on: tried(() => step(line, level, circuit)) ?? null,
    off: tried(() => switchOff(line)) ?? null,
  };
  return { ...result, ...(notFollowed && { notFollowed }) };
}

/** The line with the tap where nobody hopes it is, if nobody knows. */
function feared(line: Line): { ask: string; answer: string; line: Line } | undefined {
  const tap = questions(line).find(({ choice }) => choice === 'tap');
  if (!tap) return undefined;
  return { ask: tap.spec.question.ask, answer: 'on pin 1', line: choose(line, tap.part, 'tap', 'grounded') };
}

function step(line: Line, level: Solved['level'], circuit: Solved['circuit']): Step | null {
  const ramp = line.switch?.ramp ?? 0;
  const made = switchOn(line, ramp || undefined);
  if (!made) return null;
  const inlet = inletReader(inletKind(line.inlet.kind), line.inlet, circuit.junctions.at(-1)!.plug);
  const fullScale = inlet.value('fullScale');
  const [least, most] = [inlet.value('gainMin'), inlet.value('gainMax')];
  const gain = Math.min(Math.max(level?.gainNeeded ?? least, least), most);
  return { ...made, fullScale, gain, ramp, dbfs: made.level - fullScale + gain };
}
