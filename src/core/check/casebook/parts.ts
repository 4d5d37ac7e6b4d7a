import type { Basis, Fault, Figure, Part, Unit } from '../../gear';

/** Short words for the gear of the casebook. */
const figure = (value: number, unit: Unit, basis: Basis = 'maker'): Figure => ({ value, unit, basis });
const part = (kind: string, choices: Record<string, string> = {}, figures: Record<string, Figure> = {}): Part => ({
  kind,
  ...(Object.keys(choices).length && { choices }),
  ...(Object.keys(figures).length && { figures }),
});

export const dynamic = part('moving-coil');
export const loudDynamic = part('moving-coil', {}, { loudness: figure(140, 'dB SPL', 'assumed') });
export const quietDynamic = part('moving-coil', {}, { loudness: figure(70, 'dB SPL', 'assumed') });
export const activeDynamic = part('active-moving-coil');
export const condenser = part('condenser-48');
export const condenserOf = (milliamps: number): Part =>
  part('condenser-48', {}, { current: figure(milliamps, 'mA'), ...(milliamps > 5 && { pickOff: figure(680, 'Ω') }) });
export const wide = part('condenser-9-52');
export const activeRibbon = part('active-ribbon');
export const ribbon = (tap = 'unknown', maker = 'nothing'): Part => part('passive-ribbon', { tap, maker });
export const quietRibbon = part('passive-ribbon', { tap: 'none' }, { loudness: figure(70, 'dB SPL', 'assumed') });
export const shotgun = (battery: 'on' | 'off'): Part => part('battery-or-phantom-condenser', { battery });
export const t12 = (polarity = 'normal'): Part => part('condenser-t12', { polarity });
export const valve = (supply: 'on' | 'off' = 'on'): Part => part('valve-own-supply', { battery: supply });
export const stereoMic = part('stereo-condenser');
export const hydrophone = part('hydrophone-preamplifier');
export const lavalier = (connector = 'trs35-both', wires = 'two'): Part =>
  part('plug-in-electret', { connector, wires });
export const selfPowered = (connector = 'ts35', battery: 'on' | 'off' = 'on'): Part =>
  part('self-powered-electret', { connector, battery });

export const output = (connector: string, coupling = 'capacitor', dbu = 4, ground = 'unknown'): Part =>
  part('line-output', { connector, coupling, ground }, { outputLevel: figure(dbu, 'dBu') });
export const receiver = (dbu: number, connector = 'xlr3'): Part =>
  part('wireless-receiver', { connector }, { outputLevel: figure(dbu, 'dBu') });
export const guitar = part('magnetic-pickup');
export const piezo = part('piezo-pickup');
export const activeBass = (battery: 'on' | 'off' = 'on'): Part => part('active-instrument', { battery });

const cable = (connector: string, metres: number, faults: Fault[], tested = 'no'): Part => ({
  ...part('cable', { connector, tested }, { length: figure(metres, 'm', 'measured') }),
  ...(faults.length && { faults }),
});
export const xlr = (metres: number, ...faults: Fault[]): Part => cable('xlr3', metres, faults);
export const testedXlr = (metres: number): Part => cable('xlr3', metres, [], 'yes');
export const ts = (metres: number, ...faults: Fault[]): Part => cable('ts635', metres, faults);
export const trs = (metres: number, ...faults: Fault[]): Part => cable('trs635', metres, faults);
export const mini = (metres: number, ...faults: Fault[]): Part => cable('trs35', metres, faults);
export const multicore = (metres: number, ...faults: Fault[]): Part => ({
  ...part('multicore', {}, { length: figure(metres, 'm', 'measured') }),
  ...(faults.length && { faults }),
});
export const open = (contact: '1' | '2' | '3' | 'T' | 'R' | 'S', at?: number): Fault => ({
  type: 'open',
  contact,
  ...(at !== undefined && { at }),
});
export const short = (a: '1' | '2' | '3' | 'T' | 'R' | 'S', b: '1' | '2' | '3' | 'T' | 'R' | 'S'): Fault => ({
  type: 'shorted',
  contacts: [a, b],
});
export const swap = (a: '1' | '2' | '3', b: '1' | '2' | '3'): Fault => ({ type: 'swapped', contacts: [a, b] });
export const leak = (a: '1' | '2' | '3', b: '1' | '2' | '3', ohms: number): Fault => ({
  type: 'leaky',
  contacts: [a, b],
  ohms,
});

export const adapter = (wiring: string): Part => part('plain-adapter', { wiring });
export const converter = part('plug-in-converter');
export const passiveBox = (pad = 'off'): Part => part('passive-direct-box', { pad });
export const stereoBox = part('stereo-direct-box');
export const activeBox = (battery: 'on' | 'off' = 'off'): Part => part('active-direct-box', { battery });
export const booster = part('inline-booster');
export const isolator = part('isolating-transformer');
export const blocker = part('blocking-adapter');
export const pad = (decibels: number, feed = 'passes'): Part =>
  part('pad', { feed }, { attenuation: figure(decibels, 'dB') });
export const reverser = part('polarity-reverser');
export const trsPatch = part('trs-patch-point');
export const xlrPatch = part('three-pin-patch-point');
export const supplyBox = (feed = 'P48'): Part => part('supply-box', { feed });
export const t12Box = (feed = 'T12'): Part => part('t12-supply', { feed });
export const cameraBox = (feed = 'P48'): Part => part('camera-adapter', { feed });
export const splitter = (use = 'split', ground = 'lifted'): Part => part('splitter', { use, ground });
export const activeSplitter = (feed = 'P48'): Part => part('active-splitter', { feed });
export const yLead = (use = 'split', connector = 'xlr3'): Part => part('y-lead', { use, connector });
export const stereoSplit = (connector = 'ts635'): Part => part('stereo-split', { connector });
export const twoMono = part('two-mono-to-stereo');
export const fivePin = part('five-pin-split');
export const preamplifier = (settings: Record<string, string> = {}, gain = 40): Part =>
  part('preamplifier', settings, { gain: figure(gain, 'dB', 'measured') });
export const attenuator = (ends = 'mini'): Part => part('attenuating-lead', { ends });
export const isolatingLead = (ends = 'mini-to-jack'): Part => part('isolating-lead', { ends });

export const xlrIn = (feed = 'off', choices: Record<string, string> = {}): Part =>
  part('three-pin', { feed, ...choices });
export const comboIn = (jack = 'line', feed = 'off'): Part => part('combo', { jack, feed });
export const lineJack = part('balanced-jack');
export const lineXlr = part('xlr-line');
export const rcaIn = part('rca-line');
export const insertIn = part('insert');
export const camera = (feed = 'plug-in'): Part => part('mini-jack', { feed });
export const headset = (order = 'ctia', feed = 'plug-in'): Part => part('phone-jack', { order, feed });
export const bodypack = part('bodypack', { feed: 'plug-in' });
export const plugOn = (feed = 'off'): Part => part('plug-on-transmitter', { feed });
export const partyLine = part('two-wire-intercom', { feed: 'intercom' });
