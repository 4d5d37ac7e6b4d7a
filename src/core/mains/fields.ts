import type { Amps, Hertz, Metres, Volts } from '../units';

/** Magnetic fields beside conductors and coils (field of long conductors, Ampère's law; law of induction). */

/** µ0 / 2π, in T·m/A. */
const MU = 2e-7;

/** Between the conductors of fixed wiring and of a flexible lead (common practice). */
export const APART = { fixed: 6e-3, flexible: 3e-3 } as const;
/** What the twist of a flexible lead takes away at least (common practice: 6 dB). */
export const TWISTED = 2;

/** Flux density beside two long conductors with opposite currents, in tesla. It falls by 12 dB a doubling. */
export const pairField = (amps: Amps, apart: Metres, distance: Metres): number => (MU * amps * apart) / distance ** 2;

/** Of a small transformer at ten centimetres, in tesla (assumed). */
const COIL = 5e-6;
/** Flux density beside a coil, in tesla; a dipole's falls by 18 dB a doubling. */
export const coilField = (distance: Metres): number => COIL * (0.1 / distance) ** 3;

/** What a flux in webers induces around it, at a frequency (law of induction). */
export const inducedVolts = (flux: number, hz: Hertz): Volts => 2 * Math.PI * hz * flux;

/**
 * Flux between a ground loop's conductor and what lies behind it, in webers per ampere of the lead beside it: the field
 * of a pair, summed from its distance outwards. Nothing at a right angle.
 */
export const leadFlux = (distance: Metres, length: Metres, angle: number): number =>
  ((MU * APART.flexible) / TWISTED / distance) * length * Math.cos(angle);

/** Of a coil, in webers: its field summed outwards, over a length that is no more than it reaches along. */
export const coilFlux = (distance: Metres, length: Metres, angle: number): number =>
  ((coilField(distance) * distance) / 2) * Math.min(length, 2 * distance) * Math.cos(angle);

/** From which distance on nothing is heard of computers, displays and transformers by pickups (common practice). */
export const FAR_ENOUGH: Metres = 2;
/** Leads of signal and of mains that run in parallel keep this apart (common practice). */
export const LEADS_APART: Metres = 0.3;
