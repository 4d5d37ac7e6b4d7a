import { ofPower } from '../../signal';
import { quantity } from '../../units/format';
import type { Dbfs, Decibels } from '../../units';
import type { Measured } from '../measurement';
import { LADDERS, RUNGS, type LadderKind, type Rung } from './rungs';

/** One rung measured. */
export interface RungReading {
  rung: Rung;
  /** As set while it was measured, in dB. */
  gain: Decibels;
  plain: Measured;
  weighted: Measured;
  /** Why it says nothing, if it does not. */
  refused?: string;
}

/** What the part that a rung took away adds to the recording. */
export interface Added {
  what: string;
  /** Between which rungs. */
  between: [Rung, Rung];
  /** Undefined where the difference is smaller than its uncertainty. */
  dbfs?: Dbfs;
  /** From one standard deviation below to one above; for what is not measurable, what it is below. */
  from?: Dbfs;
  to: Dbfs;
  /** Of the first rung's power. */
  share: number;
}

export interface LadderResult {
  /** A-weighted. */
  adds: Added[];
  /** Unweighted. */
  plain: Added[];
  /** The part that adds most, A-weighted; undefined where none can be told. */
  most?: string;
  text: string;
}

/** What is known by computing, as recorded: A-weighted mean squares. */
export interface Computed {
  /** Thermal noise of a passive source's resistance. */
  coil?: number;
  /** A microphone's self-noise by its sheet. */
  selfNoise?: number;
}

/** Differences smaller than so many standard deviations say nothing. */
const SURE = 2;
/** Gains that differ by more than this are not the same. */
const SAME_GAIN: Decibels = 0.5;

/** Why a set of readings cannot be taken apart; undefined where it can. */
export function ladderRefusal(kind: LadderKind, readings: readonly RungReading[]): string | undefined {
  const ladder = LADDERS[kind].map(({ rung }) => rung);
  const [first] = readings;
  if (!first) return 'Nothing is measured yet: begin with everything as used.';
  for (const { rung, refused } of readings) {
    if (!ladder.includes(rung))
      return `“${RUNGS[rung]}” is no rung for this kind of line; its rungs are ${ladder.map((each) => `“${RUNGS[each]}”`).join(', ')}.`;
    if (refused) return `“${RUNGS[rung]}” cannot be used: ${refused}`;
  }
  if (first.rung !== 'as-used')
    return 'The first rung is everything as used: without it nobody knows what the parts add up to.';
  for (let n = 1; n < readings.length; n++) {
    const [before, now] = [readings[n - 1], readings[n]];
    if (ladder.indexOf(now.rung) <= ladder.indexOf(before.rung))
      return `“${RUNGS[now.rung]}” comes before “${RUNGS[before.rung]}” on this ladder: measured after it, nobody knows what it takes away. Measure from the top down.`;
    if (
      now.rung === 'gain-down'
        ? now.gain >= before.gain
        : before.rung !== 'gain-down' && Math.abs(now.gain - before.gain) > SAME_GAIN
    )
      return now.rung === 'gain-down'
        ? `The gain was ${quantity(before.gain, 'dB')} and is ${quantity(now.gain, 'dB')} at “${RUNGS[now.rung]}”: it has to be lower.`
        : `The gain changed from ${quantity(before.gain, 'dB')} to ${quantity(now.gain, 'dB')} at “${RUNGS[now.rung]}”: that difference would be the gain’s. Set it back and measure again.`;
    const louder = now.weighted.power - before.weighted.power;
    if (
      louder > SURE * 1.5 * Math.hypot(now.weighted.error, before.weighted.error) &&
      louder > 0.06 * before.weighted.power
    )
      return `“${RUNGS[now.rung]}” reads ${quantity(ofPower(now.weighted.power) - ofPower(before.weighted.power), 'dB')} more than “${RUNGS[before.rung]}”: taking something away cannot add noise. Something else has changed – a gain, a gate, a cable, people. Measure both again.`;
  }
  return undefined;
}

/**
 * Takes readings apart: the difference of powers between two rungs is what the part that was removed adds.
 * @param readings from the top down, without a refusal
 * @param computed what no rung takes away by itself
 */
export function ladderResult(
  kind: LadderKind,
  readings: readonly RungReading[],
  computed: Computed = {},
): LadderResult {
  const adds = apart(kind, readings, 'weighted', computed);
  const plain = apart(kind, readings, 'plain', computed);
  const sure = adds.filter(({ dbfs }) => dbfs !== undefined);
  const most = sure.toSorted((a, b) => b.share - a.share)[0];
  return {
    adds,
    plain,
    ...(most && { most: most.what }),
    text: most
      ? `${capital(most.what)} adds most: ${quantity(most.dbfs!, 'dBFS')} A-weighted, ${Math.round(100 * most.share)} % of the whole.`
      : 'No difference is larger than its uncertainty. Measure longer, with everybody quiet.',
  };
}

function apart(
  kind: LadderKind,
  readings: readonly RungReading[],
  of: 'plain' | 'weighted',
  computed: Computed,
): Added[] {
  const ladder = LADDERS[kind];
  const whole = readings[0]?.[of].power || 1;
  const added = (what: string, between: [Rung, Rung], power: number, error: number): Added => ({
    what,
    between,
    ...(power > SURE * error && { dbfs: ofPower(power), from: ofPower(Math.max(0, power - error)) }),
    to: ofPower(power > SURE * error ? power + error : Math.max(power, 0) + SURE * error),
    share: power > SURE * error ? power / whole : 0,
  });
  const list = readings.slice(1).flatMap((now, n): Added[] => {
    const before = readings[n];
    const skipped = ladder.slice(
      ladder.findIndex(({ rung }) => rung === before.rung) + 1,
      ladder.findIndex(({ rung }) => rung === now.rung) + 1,
    );
    const what = skipped.map(({ takes }) => takes).join(' and ');
    const power = before[of].power - now[of].power;
    const error = Math.hypot(before[of].error, now[of].error);
    const between: [Rung, Rung] = [before.rung, now.rung];
    // What is known by computing is told apart from what was taken away together with it.
    const known: [what: string, power: number, rest: string] | undefined =
      kind === 'moving coil' && now.rung === 'gain-down' && computed.coil
        ? ['resistance of the coil, computed', computed.coil, what]
        : what === 'room and microphone' && computed.selfNoise
          ? ['microphone, by its sheet', computed.selfNoise, 'room']
          : undefined;
    if (known && of === 'weighted')
      return [added(known[2], between, power - known[1], error), added(known[0], between, known[1], 0)];
    return [added(what, between, power, error)];
  });
  const last = readings.at(-1);
  if (readings.length > 1 && last)
    list.push(added('what is left', [last.rung, last.rung], last[of].power, last[of].error));
  return list;
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());
