import { magnitude, phase, smallSignal, sweep, type Complex, type OperatingPoint, type Response } from '../circuit';
import { CONNECTORS, type Channel, type Contact, type LineCircuit } from '../gear';
import { decibels, ratio, type Decibels, type Hertz, type Ohms } from '../units';

/** Where levels are compared. */
const MIDDLE: Hertz = 1000;
/** Where shields are judged. */
const MAINS: Hertz = 50;
/** Band and density of the response; 22 points see every slope a line can have. */
const BAND: [Hertz, Hertz] = [10, 20000];
const POINTS = 22;
/** Halvings that narrow a cut down to 0.3 % of its frequency. */
const HALVINGS = 7;

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
  lowCut?: Hertz;
  highCut?: Hertz;
  /** Load that the source sees at 1 kHz. */
  load: Ohms;
  /** Strongest level between any two contacts at each junction. */
  atJunctions: Decibels[];
  /** Impedance of each contact to ground at 1 kHz, by junction. */
  readonly impedances: Record<string, Ohms>[];
  /** Impedance of each junction's reference contact to ground at 50 Hz. */
  shields: Ohms[];
  response: { frequency: Hertz; level: Decibels }[];
}

/** Reads the small-signal response of a line. */
export function readSignal(circuit: LineCircuit, point: OperatingPoint): SignalReading {
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

  const [hot, cold] = CONNECTORS[junctions[0].plug].pairs[0].map((contact) => junctions[0].nodes[contact]);
  const driven = middle.volts(hot, cold);
  const atSource = decibels(magnitude(driven));

  const along = sweep(point, channels[best].hot, channels[best].cold);
  const levelAt = (frequency: Hertz) => decibels(magnitude(along(frequency)));
  const response = frequencies().map((frequency) => ({ frequency, level: levelAt(frequency) }));
  const mains = at(MAINS);
  let impedances: SignalReading['impedances'] | undefined;
  return {
    channels: heard,
    best,
    atSource,
    alongPath: heard[best].level - atSource - circuit.expectedGain,
    ...cuts(response, levelAt),
    load: loadSeen(middle.impedance(hot, cold), driven),
    atJunctions: junctions.map(({ nodes }) => strongest(middle, Object.values(nodes))),
    get impedances() {
      return (impedances ??= junctions.map(({ nodes }) =>
        Object.fromEntries(Object.entries(nodes).map(([contact, node]) => [contact, middle.impedance(node).ohms])),
      ));
    },
    shields: junctions.map(({ plug, nodes }) => mains.impedance(nodes[CONNECTORS[plug].reference]).ohms),
    response,
  };
}

const across = (response: Response, channel: Channel): Complex => response.volts(channel.hot, channel.cold);

const frequencies = (): Hertz[] =>
  Array.from({ length: POINTS }, (_, n) => BAND[0] * (BAND[1] / BAND[0]) ** (n / (POINTS - 1)));

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

/** Where the response has fallen 3 dB below its plateau, on either side of it. */
function cuts(
  response: SignalReading['response'],
  level: (frequency: Hertz) => Decibels,
): { lowCut?: Hertz; highCut?: Hertz } {
  const top = plateau(response);
  const floor = response[top].level + decibels(Math.SQRT1_2);
  const below = (n: number) => response[n].level < floor;
  const low = response.findLastIndex((_, n) => n <= top && below(n));
  const high = response.findIndex((_, n) => n > top && below(n));
  const between = (under: Hertz, over: Hertz): Hertz => {
    let [a, b] = [under, over];
    for (let step = 0; step < HALVINGS; step++) {
      const half = Math.sqrt(a * b);
      if (level(half) < floor) a = half;
      else b = half;
    }
    return Math.sqrt(a * b);
  };
  return {
    lowCut: low < 0 ? undefined : between(response[low].frequency, response[low + 1].frequency),
    highCut: high < 0 ? undefined : between(response[high].frequency, response[high - 1].frequency),
  };
}

/** The best channel's level as a ratio to the source's open-circuit output. */
export const lineGain = (signal: SignalReading): number => ratio(signal.channels[signal.best].level);
