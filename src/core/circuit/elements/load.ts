import type { ConstantCurrentLoad } from '../netlist';
import { conducts, finite, positive, spiceHead, spiceNumber, type ElementRules } from './rules';

/** Keeps the matrix regular where the current no longer depends on the voltage. */
const LEAKAGE = 1e-12;

export const constantCurrentLoad: ElementRules<ConstantCurrentLoad> = {
  branches: () => 0,
  paths: conducts,
  fault: (e) =>
    (e.amps < 0 ? 'current must not be negative' : finite('current', e.amps)) ??
    positive('knee voltage', e.kneeVolts) ??
    (e.cutoffVolts === undefined ? undefined : positive('cut-off voltage', e.cutoffVolts)),
  stamp: () => undefined,
  characteristic: (e) => {
    const { scale, middle, width, offset } = curve(e);
    return {
      at(volts) {
        const share = Math.tanh((volts - middle) / width);
        return {
          amps: scale * (offset + share) + LEAKAGE * volts,
          siemens: (scale / width) * (1 - share * share) + LEAKAGE,
        };
      },
      // Where the curve is flat a step tells little: never jump across its middle in one go.
      limit: (next, previous) => ((next - middle) * (previous - middle) < 0 ? middle : next),
    };
  },
  spice: (e, names) => {
    const { scale, middle, width, offset } = curve(e);
    const volts = `v(${names.node(e.a)},${names.node(e.b)})`;
    return [
      `${spiceHead('B', e, names)} I=${spiceNumber(scale)}*(${offset}+tanh((${volts}-${spiceNumber(middle)})/${spiceNumber(width)}))` +
        `+${spiceNumber(LEAKAGE)}*${volts}`,
    ];
  },
};

/** Width of the cut-off, as a share of its voltage. */
const SOFTNESS = 0.1;

/** I = scale · (offset + tanh((v − middle) / width)); nothing at 0 V, so that what is not plugged in holds no charge. */
const curve = ({ amps, kneeVolts, cutoffVolts }: ConstantCurrentLoad) =>
  cutoffVolts === undefined
    ? { scale: amps, middle: 0, width: kneeVolts, offset: 0 }
    : {
        scale: amps / 2,
        middle: cutoffVolts,
        width: cutoffVolts * SOFTNESS,
        offset: Math.tanh(1 / SOFTNESS),
      };
