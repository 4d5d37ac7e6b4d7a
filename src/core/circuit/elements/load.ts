import type { ConstantCurrentLoad } from '../netlist';
import { conducts, finite, positive, spiceHead, spiceNumber, type ElementRules } from './rules';

/** Keeps the matrix regular where the current no longer depends on the voltage. */
const LEAKAGE = 1e-12;

export const constantCurrentLoad: ElementRules<ConstantCurrentLoad> = {
  branches: () => 0,
  paths: conducts,
  fault: (e) =>
    (e.amps < 0 ? 'current must not be negative' : finite('current', e.amps)) ?? positive('knee voltage', e.kneeVolts),
  stamp: () => undefined,
  characteristic: (e) => ({
    at(volts) {
      const share = Math.tanh(volts / e.kneeVolts);
      return {
        amps: e.amps * share + LEAKAGE * volts,
        siemens: (e.amps / e.kneeVolts) * (1 - share * share) + LEAKAGE,
      };
    },
    // Where the curve is flat a step tells little: never jump across zero in one go.
    limit: (next, previous) => (next * previous < 0 ? 0 : next),
  }),
  spice: (e, names) => [
    `${spiceHead('B', e, names)} I=${spiceNumber(e.amps)}*tanh(v(${names.node(e.a)},${names.node(e.b)})/${spiceNumber(e.kneeVolts)})` +
      `+${spiceNumber(LEAKAGE)}*v(${names.node(e.a)},${names.node(e.b)})`,
  ],
};
