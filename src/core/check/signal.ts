import { magnitude, phase, smallSignal, sweep, type Complex, type OperatingPoint, type Response } from '../circuit';
import { CONNECTORS, sourcePair, type Channel, type Contact, type Line, type LineCircuit } from '../gear';
import { once } from '../units/once';
import { decibels, ratio, type Decibels, type Hertz, type Ohms } from '../units';

/** Where levels are compared. */
const MIDDLE: Hertz = 1000;
/** Where shields are judged. */
const MAINS: Hertz = 50;
/** Band and density of the response: few points find every cut a line can have, more of them draw it. */
const BAND: [Hertz, Hertz] = [10, 20000];
const POINTS = 14;
const DRAWN = 48;
/** Steps that narrow a cut down to a tenth of a percent of its frequency. */
const STEPS = 4;

/** What becomes of the signal; all levels against the source's open-circuit output, every part taken as powered. */
export interface SignalReading {
  channels: { name: string; level: Decibels; reversed: boolean; contacts: [Contact, Contact]; balanced: boolean }[];
  /** The channel with the most signal. */
  best: number;
  /** At the source's own contacts: what its load costs. */
  atSource: Decibels;
  /** From there to the inlet, against what the links are meant to do. */
  alongPath: Decibels;
  /** -3 dB points within 10 Hz to 20 kHz. */
  readonly lowCut?: Hertz;
  readonly highCut?: Hertz;
  /** Load that the source sees at 1 kHz. */
  readonly load: Ohms;
  /** Strongest level between any two contacts at a junction. */
  atJunction(junction: number): Decibels;
  /** Impedance of a contact to the reference contact beside it at 1 kHz; infinite for one that the junction does not have. */
  impedance(junction: number, contact: string): Ohms;
  /** Signal at a contact of a junction over its reference contact, at 1 kHz; undefined for one that it does not have. */
  over(junction: number, contact: string): Complex | undefined;
  /** Level between two nodes of the circuit at a frequency. */
  between(pair: readonly [string, string], frequency?: Hertz): Decibels;
  /** Impedance of each junction's reference contact to ground at 50 Hz. */
  readonly shields: Ohms[];
  readonly response: { frequency: Hertz; level: Decibels }[];
  /** The same with as many points as a drawing wants. */
  drawn(): { frequency: Hertz; level: Decibels }[];
}

/** Reads the small-signal response of a line. */
export function readSignal(line: Line, circuit: LineCircuit, point: OperatingPoint): SignalReading {
  const at = smallSignal(point);
  const middle = at(MIDDLE);
  const { junctions, channels } = circuit;

  const heard = channels.map((channel) => {
    const volts = across(middle, channel);
    return {
      name: channel.name,
      contacts: channel.contacts,
      balanced: channel.balanced,
      level: decibels(magnitude(volts)),
      reversed: Math.abs(phase(volts)) > 90,
    };
  });
  const best = heard.reduce((top, channel, n) => (channel.level > heard[top].level ? n : top), 0);

  const [hot, cold] = sourcePair(line).map((contact) => junctions[0].nodes[contact]);
  const driven = middle.volts(hot, cold);
  const atSource = decibels(magnitude(driven));

  // Most lines are judged at 1 kHz: the band is swept when somebody asks for it.
  const along = once(() => sweep(point, channels[best].hot, channels[best].cold));
  const levelAt = (frequency: Hertz) => decibels(magnitude(along()(frequency)));
  const levels = (points: number) => frequencies(points).map((frequency) => ({ frequency, level: levelAt(frequency) }));
  const response = once(() => levels(POINTS));
  const flattest = once(() => plateau(response()));
  const lowCut = once(() => lowCutOf(response(), flattest(), levelAt));
  const highCut = once(() => highCutOf(response(), flattest(), levelAt));
  const load = once(() => loadSeen(middle.impedance(hot, cold), driven));
  const shields = once(() => {
    const mains = at(MAINS);
    return junctions.map(({ plug, nodes }) => mains.impedance(nodes[CONNECTORS[plug].reference]).ohms);
  });
  const impedances = new Map<string, Ohms>();
  return {
    channels: heard,
    best,
    atSource,
    alongPath: heard[best].level - atSource - circuit.expectedGain,
    get lowCut() {
      return lowCut();
    },
    get highCut() {
      return highCut();
    },
    get load() {
      return load();
    },
    atJunction: (junction) => strongest(middle, Object.values(junctions[junction].nodes)),
    impedance(junction, contact) {
      const { plug, nodes } = junctions[junction];
      const node = nodes[contact];
      if (node === undefined) return Infinity;
      const key = `${junction} ${contact}`;
      if (!impedances.has(key)) impedances.set(key, middle.impedance(node, nodes[CONNECTORS[plug].reference]).ohms);
      return impedances.get(key)!;
    },
    over(junction, contact) {
      const { plug, nodes } = junctions[junction];
      const node = nodes[contact];
      return node === undefined ? undefined : middle.volts(node, nodes[CONNECTORS[plug].reference]);
    },
    between: ([a, b], frequency) => decibels(magnitude((frequency === undefined ? middle : at(frequency)).volts(a, b))),
    get shields() {
      return shields();
    },
    get response() {
      return response();
    },
    drawn: () => levels(DRAWN),
  };
}

const across = (response: Response, channel: Channel): Complex => response.volts(channel.hot, channel.cold);

const frequencies = (points: number): Hertz[] =>
  Array.from({ length: points }, (_, n) => BAND[0] * (BAND[1] / BAND[0]) ** (n / (points - 1)));

function strongest(response: Response, nodes: string[]): Decibels {
  let top = 0;
  nodes.forEach((a, n) => nodes.slice(n + 1).forEach((b) => (top = Math.max(top, magnitude(response.volts(a, b))))));
  return decibels(top);
}

/** With 1 V open, V loaded and Z between the contacts of the whole, the load alone is Z / (1 - V). */
function loadSeen(whole: Complex, loaded: Complex): Ohms {
  const missing = Math.hypot(1 - loaded.re, loaded.im);
  return missing < 1e-6 ? Infinity : magnitude(whole) / missing;
}

/** The point around which the response is flattest: its plateau, not the top of a pickup's resonance. */
function plateau(response: SignalReading['response']): number {
  const slope = (n: number) => Math.abs(response[n].level - response[n - 1].level);
  let flattest = response.length - 1;
  for (let n = response.length - 2; n > 0; n--) {
    const here = Math.max(slope(n), slope(n + 1));
    if (here < (flattest === response.length - 1 ? slope(flattest) : Math.max(slope(flattest), slope(flattest + 1))))
      flattest = n;
  }
  return flattest;
}

type Points = SignalReading['response'];
type Levels = (frequency: Hertz) => Decibels;

/** 3 dB below a level. */
const fallen = (level: Decibels): Decibels => level + decibels(Math.SQRT1_2);

/** Where the response has fallen 3 dB below its plateau, on the way down from it. */
function lowCutOf(response: Points, top: number, level: Levels): Hertz | undefined {
  const floor = fallen(response[top].level);
  const under = response.findLastIndex((point, n) => n <= top && point.level < floor);
  return under < 0 ? undefined : crossing(response[under], response[under + 1], floor, level);
}

/** The same on the way up. */
function highCutOf(response: Points, top: number, level: Levels): Hertz | undefined {
  const floor = fallen(response[top].level);
  const under = response.findIndex((point, n) => n > top && point.level < floor);
  return under < 0 ? undefined : crossing(response[under], response[under - 1], floor, level);
}

/** Straight lines through the levels over the logarithm of frequency, each time through the nearer neighbours. */
function crossing(under: Points[number], over: Points[number], floor: Decibels, level: Levels): Hertz {
  let [a, b] = [under, over];
  let frequency = a.frequency;
  for (let step = 0; step < STEPS; step++) {
    const share = Number.isFinite(a.level) ? (floor - a.level) / (b.level - a.level) : 0.5;
    frequency = a.frequency * (b.frequency / a.frequency) ** share;
    const here = { frequency, level: level(frequency) };
    if (here.level < floor) a = here;
    else b = here;
  }
  return frequency;
}

/** The best channel's level as a ratio to the source's open-circuit output. */
export const lineGain = (signal: SignalReading): number => ratio(signal.channels[signal.best].level);
