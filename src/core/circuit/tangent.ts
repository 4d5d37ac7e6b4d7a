import type { Amps, Volts } from '../units';
import type { Characteristic } from './elements/rules';
import type { NonLinear } from './equations';

/** Newton stops when no non-linear element's voltage moves more than this, in volts and as a share. */
const CLOSE = 1e-11;
/** A change of current that counts as none. */
const NOTHING: Amps = 1e-16;

/** The voltage across a non-linear element. */
export const voltage = (x: Float64Array, { a, b }: NonLinear): Volts => (a < 0 ? 0 : x[a]) - (b < 0 ? 0 : x[b]);

/**
 * Whether a step changes nothing any more: neither the voltage nor the current. Where next to nothing flows, as in a
 * part that hangs in the air, rounding moves the voltage about for ever and the current tells.
 */
export const still = (characteristic: Characteristic, before: Volts, next: Volts): boolean =>
  Math.abs(next - before) <= CLOSE * (1 + Math.abs(next)) ||
  Math.abs(characteristic.at(next).amps - characteristic.at(before).amps) < NOTHING;

/** Replaces the element by its tangent at `volts`: a conductance beside a current. */
export function stampTangent(part: NonLinear, volts: Volts, a: Float64Array, b: Float64Array, n: number): number {
  const { amps, siemens } = part.characteristic.at(volts);
  const rest = amps - siemens * volts;
  if (part.a >= 0) {
    a[part.a * n + part.a] += siemens;
    b[part.a] -= rest;
  }
  if (part.b >= 0) {
    a[part.b * n + part.b] += siemens;
    b[part.b] += rest;
  }
  if (part.a >= 0 && part.b >= 0) {
    a[part.a * n + part.b] -= siemens;
    a[part.b * n + part.a] -= siemens;
  }
  return siemens;
}
