import { ofPower } from '../../signal';
import { quantity } from '../../units/format';
import type { Dbfs, Decibels } from '../../units';
import type { Measured } from '../measurement';
import { LADDERS, RUNGS, type LadderKind, type Rung } from './rungs';

/** One rung measured, once. */
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
  /** Of the first rung's power; all of them together are 1 at most. */
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
  /** Figures of sheets that lie above what was measured, and are not counted. */
  doubts: string[];
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
/** Readings that differ by more than so many, and by more than this, contradict each other. */
const [APART, APART_DB]: [number, Decibels] = [3, 0.5];
/** Gains that differ by more than this are not the same. */
const SAME_GAIN: Decibels = 0.5;
/** Gain turned down by less than this takes nothing away that could be told (common practice: turn it to its end). */
const TURNED_DOWN: Decibels = 6;

/** Every reading of one rung together. */
interface RungMean extends Omit<RungReading, 'refused'> {
  count: number;
}

/** The mean of repetitions; its error from the spread within each and between them, whichever says more. */
function meanOf(readings: readonly RungReading[], of: 'plain' | 'weighted'): Measured {
  const { length } = readings;
  const power = readings.reduce((sum, each) => sum + each[of].power, 0) / length;
  const within = Math.hypot(...readings.map((each) => each[of].error)) / length;
  if (length < 2) return { power, error: within };
  const variance = readings.reduce((sum, each) => sum + (each[of].power - power) ** 2, 0) / (length - 1);
  return { power, error: Math.max(within, Math.sqrt(variance / length)) };
}

/** The rungs that were measured, from the top down, repetitions taken together. */
function rungsOf(kind: LadderKind, readings: readonly RungReading[]): RungMean[] {
  return LADDERS[kind].flatMap(({ rung }) => {
    const own = readings.filter((each) => each.rung === rung && !each.refused);
    const [first] = own;
    if (!first) return [];
    return [{ ...first, plain: meanOf(own, 'plain'), weighted: meanOf(own, 'weighted'), count: own.length }];
  });
}

const levelOf = ({ weighted }: Pick<RungReading, 'weighted'>): string =>
  `${quantity(ofPower(weighted.power), 'dBFS')} A-weighted`;
const isApart = (a: Measured, b: Measured): boolean =>
  Math.abs(a.power - b.power) > APART * Math.hypot(a.error, b.error) &&
  Math.abs(ofPower(a.power) - ofPower(b.power)) > APART_DB;

/** Why a set of readings cannot be taken apart; undefined where it can. @param readings in the order they were measured */
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
  return (
    wrongOrder(ladder, readings) ?? contradiction(kind, readings) ?? wrongGain(kind, readings) ?? louder(kind, readings)
  );
}

/** A rung measured for the first time after one below it. A repetition may come at any time. */
function wrongOrder(ladder: readonly Rung[], readings: readonly RungReading[]): string | undefined {
  const seen: Rung[] = [];
  for (const { rung } of readings) {
    if (seen.includes(rung)) continue;
    if (seen.some((other) => ladder.indexOf(other) > ladder.indexOf(rung)))
      return `“${RUNGS[rung]}” comes before “${RUNGS[seen.at(-1)!]}” on this ladder: measured after it, nobody knows what it takes away. Measure from the top down.`;
    seen.push(rung);
  }
  return undefined;
}

/** Two readings of one rung that cannot both be right. */
function contradiction(kind: LadderKind, readings: readonly RungReading[]): string | undefined {
  for (const { rung } of LADDERS[kind]) {
    const own = readings.filter((each) => each.rung === rung);
    for (const [n, one] of own.entries())
      for (const other of own.slice(n + 1)) {
        if (Math.abs(one.gain - other.gain) > SAME_GAIN)
          return `“${RUNGS[rung]}” was measured at ${quantity(one.gain, 'dB')} and at ${quantity(other.gain, 'dB')} of gain. Take out the one with the wrong gain.`;
        // With three and more the spread between them is part of the uncertainty.
        if (own.length === 2 && isApart(one.weighted, other.weighted))
          return `Two readings of “${RUNGS[rung]}” contradict each other: ${levelOf(one)} and ${levelOf(other)}, more than either varies by itself. Something comes and goes. Measure it a third time.`;
      }
  }
  return undefined;
}

function wrongGain(kind: LadderKind, readings: readonly RungReading[]): string | undefined {
  const rungs = rungsOf(kind, readings);
  for (const [n, now] of rungs.entries()) {
    const before = rungs[n - 1];
    if (!before) continue;
    if (now.rung === 'gain-down') {
      if (before.gain - now.gain < TURNED_DOWN)
        return `The gain was ${quantity(before.gain, 'dB')} and is ${quantity(now.gain, 'dB')} at “${RUNGS[now.rung]}”: it has to be lower by ${quantity(TURNED_DOWN, 'dB')} at least, or nothing is taken away. Turn it to its end and measure again.`;
    } else if (before.rung !== 'gain-down' && Math.abs(now.gain - before.gain) > SAME_GAIN)
      return `The gain changed from ${quantity(before.gain, 'dB')} to ${quantity(now.gain, 'dB')} at “${RUNGS[now.rung]}”: that difference would be the gain’s. Set it back and measure again.`;
  }
  return undefined;
}

/** A rung that reads more than one above it, wherever that is. */
function louder(kind: LadderKind, readings: readonly RungReading[]): string | undefined {
  const rungs = rungsOf(kind, readings);
  for (const [n, now] of rungs.entries())
    for (const before of rungs.slice(0, n))
      if (now.weighted.power > before.weighted.power && isApart(now.weighted, before.weighted))
        return `“${RUNGS[now.rung]}” reads ${quantity(ofPower(now.weighted.power) - ofPower(before.weighted.power), 'dB')} more than “${RUNGS[before.rung]}”: removing something can’t add noise. Something else changed: gain, gate, cable, people. Measure both again.`;
  return undefined;
}

/**
 * Takes readings apart: the difference of powers between two rungs is what the part that was removed adds.
 * @param readings without a refusal
 * @param computed what no rung takes away by itself
 */
export function ladderResult(
  kind: LadderKind,
  readings: readonly RungReading[],
  computed: Computed = {},
): LadderResult {
  const rungs = rungsOf(kind, readings);
  const doubts: string[] = [];
  const adds = apart(kind, rungs, 'weighted', computed, doubts);
  const plain = apart(kind, rungs, 'plain', {}, []);
  const sure = adds.filter(({ dbfs }) => dbfs !== undefined);
  const most = sure.toSorted((a, b) => b.share - a.share)[0];
  return {
    adds,
    plain,
    ...(most && { most: most.what }),
    text: most
      ? `${capital(most.what)} adds most: ${quantity(most.dbfs!, 'dBFS')} A-weighted, ${Math.round(100 * most.share)} % of the whole.`
      : 'No difference is larger than its uncertainty. Measure longer, or each rung once more, with everybody quiet.',
    doubts,
  };
}

/**
 * Powers that never rise from the top down: neighbours that do are taken together, each by how sure it is (pooling
 * adjacent violators, Ayer and others, 1955). What they differ by lies within their uncertainty, or it was refused.
 */
function falling(powers: readonly Measured[]): Measured[] {
  const blocks: { power: number; weight: number; members: number }[] = [];
  for (const { power, error } of powers) {
    blocks.push({ power, weight: 1 / Math.max(error, 1e-6 * power, 1e-30) ** 2, members: 1 });
    for (let last = blocks.length - 1; last > 0 && blocks[last].power > blocks[last - 1].power; last--) {
      const [above, below] = [blocks[last - 1], blocks[last]];
      const weight = above.weight + below.weight;
      above.power = (above.power * above.weight + below.power * below.weight) / weight;
      above.weight = weight;
      above.members += below.members;
      blocks.pop();
    }
  }
  const fitted = blocks.flatMap(({ power, members }) => new Array<number>(members).fill(power));
  return powers.map(({ error }, n) => ({ power: fitted[n], error }));
}

function apart(
  kind: LadderKind,
  rungs: readonly RungMean[],
  of: 'plain' | 'weighted',
  computed: Computed,
  doubts: string[],
): Added[] {
  const ladder = LADDERS[kind];
  const powers = falling(rungs.map((rung) => rung[of]));
  const whole = powers[0]?.power || 1;
  const added = (what: string, between: [Rung, Rung], power: number, error: number): Added => ({
    what,
    between,
    ...(power > SURE * error && { dbfs: ofPower(power), from: ofPower(Math.max(0, power - error)) }),
    to: ofPower(Math.min(whole, power > SURE * error ? power + error : Math.max(power, 0) + SURE * error)),
    share: power > SURE * error ? power / whole : 0,
  });
  const list = rungs.slice(1).flatMap((now, n): Added[] => {
    const before = rungs[n];
    const skipped = ladder.slice(
      ladder.findIndex(({ rung }) => rung === before.rung) + 1,
      ladder.findIndex(({ rung }) => rung === now.rung) + 1,
    );
    const what = skipped.map(({ takes }) => takes).join(' and ');
    const power = powers[n].power - powers[n + 1].power;
    const error = Math.hypot(powers[n].error, powers[n + 1].error);
    const between: [Rung, Rung] = [before.rung, now.rung];
    // What is known by computing is told apart from what was taken away together with it.
    const known: [what: string, power: number, rest: string] | undefined =
      kind === 'moving coil' && now.rung === 'gain-down' && computed.coil
        ? ['resistance of the coil, computed', computed.coil, what]
        : what === 'room and microphone' && computed.selfNoise
          ? ['microphone, by its sheet', computed.selfNoise, 'room']
          : undefined;
    if (!known) return [added(what, between, power, error)];
    if (known[1] > power + SURE * error) {
      doubts.push(
        `${capital(known[0])}: ${quantity(ofPower(known[1]), 'dBFS')} A-weighted, more than the ${quantity(ofPower(Math.max(power, 0) + error), 'dBFS')} that ${what} were measured to add. It is not counted: check the figure, the gain that was stated, and how the sheet weights it.`,
      );
      return [added(what, between, power, error)];
    }
    const own = Math.min(known[1], Math.max(power, 0));
    return [added(known[2], between, power - own, error), added(known[0], between, own, 0)];
  });
  const last = rungs.at(-1);
  if (rungs.length > 1 && last)
    list.push(added('what is left', [last.rung, last.rung], powers.at(-1)!.power, last[of].error));
  return list;
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());
