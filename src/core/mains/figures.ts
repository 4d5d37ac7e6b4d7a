import { SUPPLIES, type SupplyName, type UnitKind } from '../rig';
import { mainsFrequency } from '../units/conventions';
import type { Amps, Farads, Hertz, Metres, Ohms, Volts } from '../units';

/** Ohms per metre of plain copper at 20 °C by cross-section in mm²: flexible conductors, class 5 (IEC 60228, from memory). */
const FLEXIBLE: Record<number, number> = { 0.75: 26.0e-3, 1: 19.5e-3, 1.5: 13.3e-3, 2.5: 7.98e-3 };
/** Of annealed copper, in Ω·mm²/m, for sections that no table names (IEC 60028). */
const COPPER = 17.241e-3;
export const ohmsPerMetre = (section: number): number => FLEXIBLE[section] ?? COPPER / section;

/** Two contacts that are pressed together, each (common practice). */
export const CONTACT: Ohms = 20e-3;
/** Lead of a strip where nobody says (assumed). */
export const STRIP_LEAD: { length: Metres; section: number } = { length: 1.5, section: 1 };
/** The most that a lead of which not all is stated may have: fifty metres, thin (assumed); what lies above that is no lead. */
export const LONGEST_LEAD: { length: Metres; section: number } = { length: 50, section: 0.75 };
/** Of a unit's own lead (common practice). */
export const OWN_LENGTH: Metres = 1.5;
/** Its earth conductor: 0.75 mm² and a contact at each end (common practice). */
export const OWN_LEAD: Ohms = OWN_LENGTH * FLEXIBLE[0.75] + 2 * CONTACT;
/** Per metre of a line's shield (assumed: a braid of a microphone cable), and its two plugs. */
export const SHIELD_PER_METRE = 20e-3;
/** What joins grounds beside lines (assumed). */
export const TIE: Ohms = 0.1;

/** From live to chassis of an earthed unit; the upper of the usual two filter capacitors (common practice). */
export const EARTHED_LEAK: Farads = 4.7e-9;
/** From each pole to the chassis of a unit without earth (common practice). */
export const FLOATING_LEAK: Farads = 2.2e-9;

/** What units take from the mains, in amperes, where nobody says (assumed). */
export const CURRENTS: Record<UnitKind, Amps> = {
  'audio device': 0.2,
  computer: 0.4,
  display: 0.2,
  supply: 0.1,
  charger: 0.1,
  lamp: 0.5,
  wireless: 0.1,
  transformer: 0.2,
  'cable run': 0,
  motor: 1,
  loudspeaker: 0.5,
};

/** Kinds whose current is drawn in pulses, by a rectifier. */
export const RECTIFIED: ReadonlySet<UnitKind> = new Set([
  'audio device',
  'computer',
  'display',
  'supply',
  'charger',
  'wireless',
  'loudspeaker',
]);

/**
 * Whine of small switching supplies, which run in bursts while they have little to do: parts of their current at these
 * frequencies (assumed).
 */
export const WHINES: Partial<Record<UnitKind, readonly { hz: Hertz; share: number }[]>> = {
  charger: [
    { hz: 4310, share: 0.05 },
    { hz: 8620, share: 0.025 },
    { hz: 12_930, share: 0.012 },
  ],
};

/** How far the capacitor from neutral is from that from live in an earthed unit (assumed: ten per cent). */
export const MISMATCH = 0.1;
/** Between chassis and audio ground, where they are not joined directly (assumed). */
export const AUDIO_GROUND = { resistor: 10, lifted: 1e5 } as const;
/** What stands over pairs of diodes that milliamperes pass (common practice: two junctions of silicon, low current). */
export const DIODES: Volts = 1;
/** Leakage that at least passes them, where nothing is known to. */
export const LEAST_LEAK: Amps = 1e-6;

/** What an uninterruptible supply gives of what it holds: its efficiency, and a battery at the end of its life (assumed). */
export const BACKUP_SHARE = 0.85 * 0.8;

/** Harmonics are followed as far as this. */
export const HIGHEST: Hertz = 2000;

/** Voltage harmonics of public mains against the fundamental (assumed; a fifth of 3 % is usual). Others are nothing. */
const VOLTAGE: Record<number, number> = {
  1: 1,
  3: 0.01,
  5: 0.03,
  7: 0.02,
  9: 0.005,
  11: 0.01,
  13: 0.01,
  15: 0.002,
  17: 0.005,
  19: 0.005,
  23: 0.003,
  25: 0.003,
};
/** @param fifth stated fifth harmonic, as a share of the fundamental */
export const voltageShare = (harmonic: number, fifth = VOLTAGE[5]): number =>
  harmonic === 5 ? fifth : (VOLTAGE[harmonic] ?? 0);

/** Current harmonics of a rectifier without correction against the fundamental (assumed: it falls with the order). */
export const currentShare = (harmonic: number, rectified: boolean): number =>
  rectified ? (harmonic % 2 ? 1 / harmonic ** 0.7 : 0) : voltageShare(harmonic);

/**
 * Volts along an earth conductor per ampere and metre of load current beside it, at 1 rad/s: µ0/2π·ln(6/3), live at 6 mm and
 * neutral at 3 mm from it (field of two long conductors).
 */
export const INDUCTION = 2e-7 * Math.log(2);

/** How much of a common-mode voltage a balanced inlet hears: 10 Ω of imbalance over 5 kΩ (assumed; −54 dB). */
export const CONVERSION = 10 / 5000;
/** What shield current shares with the signal's ground behind pin 1 (assumed; unknown is usual). */
export const PIN_ONE: Ohms = 1e-3;
/** Between the windings of a signal transformer, and what it works into (assumed). */
export const WINDINGS: Farads = 100e-12;
export const BEHIND_WINDINGS: Ohms = 150;

/** Residual-current device of socket circuits, and how much of it standing leakage may take (common practice: a third). */
export const RESIDUAL: Amps = 30e-3;
export const RESIDUAL_SHARE = 1 / 3;
/** At which a ground-fault interrupter of a 120 V outlet may trip (common practice: 4 to 6 mA). */
export const GROUND_FAULT: Amps = 4e-3;
/** Between an earthed unit and earth, from here on its earth is missing (common practice). */
export const EARTH_MISSING: Volts = 50;
/** Touch current that a unit may have with and without protective earth (IEC 62368-1, from memory). */
export const TOUCH: { earthed: Amps; floating: Amps } = { earthed: 5e-3, floating: 0.5e-3 };
/** Supplies below this have such interrupters. */
export const LOW_VOLTS: Volts = 130;
/** An earth path above this, its own lead apart, is out of use until repaired. */
export const EARTH_PATH: Ohms = 0.1;

/** What a supply usually is where the mains have so many hertz. */
export const usualSupply = (): SupplyName => (mainsFrequency() === 60 ? '120 V 60 Hz' : '230 V 50 Hz');
export const supplyOf = (name: SupplyName = usualSupply()): { volts: Volts; hertz: Hertz } => SUPPLIES[name];
