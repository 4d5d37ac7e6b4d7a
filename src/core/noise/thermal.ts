import { operatingPoint } from '../circuit';
import { noiseDensity } from '../circuit/noise';
import { asDrawn, lineCircuit, type Line } from '../gear';
import { aWeight } from '../signal/measure/weighting';
import { dbu, type Dbu, type Hertz, type Volts } from '../units';

/** What the resistances of a line add up to at the inlet's amplifier, before any preamplifier's own noise. */
export interface ThermalNoise {
  volts: Volts;
  level: Dbu;
  /** The same A-weighted, in dBu(A). */
  aWeighted: Dbu;
  /** Loudest first; powers add up to the whole. */
  parts: { part: 'source' | 'inlet' | number; level: Dbu; share: number }[];
}

const [FROM, TO]: [Hertz, Hertz] = [20, 20_000];
/** Steps of an octave over which the density is taken as straight. */
const PER_OCTAVE = 6;

/**
 * Integrates the thermal and shot noise of a line's circuit from 20 Hz to 20 kHz at 20 °C, between the amplifier's two
 * sides of its first channel.
 * @throws CircuitError for a line whose circuit has no single answer
 */
export function thermalNoise(line: Line): ThermalNoise {
  const { netlist, channels } = lineCircuit(asDrawn(line));
  const [{ hot, cold }] = channels;
  const density = noiseDensity(operatingPoint(netlist), hot, cold);
  const steps = Math.ceil(Math.log2(TO / FROM) * PER_OCTAVE);
  const ratio = (TO / FROM) ** (1 / steps);
  const powers = new Map<ThermalNoise['parts'][number]['part'], number>();
  let [total, weighted] = [0, 0];
  for (let n = 0; n < steps; n++) {
    const from = FROM * ratio ** n;
    const width = from * (ratio - 1);
    const middle = from * Math.sqrt(ratio);
    const at = density(middle);
    total += at.total * width;
    weighted += at.total * width * aWeight(middle);
    for (const part of at.parts) {
      const owner = ownerOf(part.element);
      powers.set(owner, (powers.get(owner) ?? 0) + part.density * width);
    }
  }
  return {
    volts: Math.sqrt(total),
    level: dbu(Math.sqrt(total)),
    aWeighted: dbu(Math.sqrt(weighted)),
    parts: [...powers]
      .map(([part, power]) => ({ part, level: dbu(Math.sqrt(power)), share: power / total }))
      .sort((a, b) => b.share - a.share),
  };
}

/** The part that an element belongs to; links are counted from 0. */
function ownerOf(element: string): 'source' | 'inlet' | number {
  const [, link] = /^link(\d+)\./.exec(element) ?? [];
  if (link !== undefined) return Number(link) - 1;
  return element.startsWith('source.') ? 'source' : 'inlet';
}
