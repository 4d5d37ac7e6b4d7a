import type { Diode } from '../netlist';
import { conducts, positive, spiceHead, spiceNumber, type ElementRules } from './rules';

/** Boltzmann's constant over the elementary charge (exact SI values of 2019) at 27 °C, SPICE's nominal temperature. */
const THERMAL_VOLTS = (1.380649e-23 * 300.15) / 1.602176634e-19;

/** A blocking junction leaks like 1 GΩ, so that nothing behind it hangs in the air altogether. */
const LEAKAGE = 1e-9;

export const diode: ElementRules<Diode> = {
  branches: () => 0,
  paths: conducts,
  fault: (e) => positive('saturation current', e.saturationAmps) ?? positive('emission coefficient', e.emission),
  stamp: () => undefined,
  characteristic(e) {
    const slope = e.emission * THERMAL_VOLTS;
    const critical = slope * Math.log(slope / (Math.SQRT2 * e.saturationAmps));
    return {
      at(volts) {
        const growth = Math.exp(Math.min(volts / slope, 300));
        return {
          amps: e.saturationAmps * (growth - 1) + LEAKAGE * volts,
          siemens: (e.saturationAmps / slope) * growth + LEAKAGE,
        };
      },
      // The usual junction limiting: above the critical voltage a step grows only with the logarithm.
      limit(next, previous) {
        if (next <= critical || Math.abs(next - previous) <= 2 * slope) return next;
        if (previous <= 0) return slope * Math.log(Math.max(next / slope, 2));
        const step = 1 + (next - previous) / slope;
        return step > 0 ? previous + slope * Math.log(step) : critical;
      },
    };
  },
  spice: (e, names) => [
    `${spiceHead('D', e, names)} M${names.element(e.name)}`,
    `R${names.element(`${e.name}.leak`)} ${names.node(e.a)} ${names.node(e.b)} ${spiceNumber(1 / LEAKAGE)}`,
    `.model M${names.element(e.name)} D(IS=${spiceNumber(e.saturationAmps)} N=${spiceNumber(e.emission)})`,
  ],
};
