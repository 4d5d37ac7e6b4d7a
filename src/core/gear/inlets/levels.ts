import type { FigureSpec } from '../figures';
import type { Part } from '../part';
import type { AnyKind, InletKind, SourceKind } from '../kinds';
import type { Reader } from '../reader';
import { reader } from '../bench';
import type { ConnectorId } from '../connectors';
import { choice, inputNoise, setting } from '../shared';

/** How quiet an inlet is: its amplifier's noise at most and at least gain in dBu, its converter's range in dB. */
interface Quiet {
  ein: number;
  einLow: number;
  range: number;
}
const MICROPHONE: Quiet = { ein: -128, einLow: -103, range: 112 };

/** Figures of an inlet that are no part of its circuit: they tell what its amplifier and converter make of a signal. */
export const BEHIND_THE_INLET: ReadonlySet<string> = new Set([
  'gainMin',
  'gainMax',
  'fullScale',
  'ein',
  'einLow',
  'einResistance',
  'dynamicRange',
]);

export const levelFigures = (
  gain: number,
  fullScale: number,
  { ein, einLow, range }: Quiet = MICROPHONE,
): Record<string, FigureSpec> => ({
  gainMin: { label: 'Minimum gain', unit: 'dB', min: -40, max: 60, typical: { value: 0, basis: 'common practice' } },
  gainMax: { label: 'Maximum gain', unit: 'dB', min: 0, max: 100, typical: { value: gain, basis: 'common practice' } },
  fullScale: {
    label: 'Level for 0 dBFS at 0 dB gain',
    unit: 'dBu',
    min: -60,
    max: 40,
    typical: { value: fullScale, basis: 'common practice' },
    help: 'Peak of a sine; the sheet may call it maximum input level at minimum gain.',
  },
  ein: inputNoise('EIN at maximum gain', ein, '20 Hz to 20 kHz, with the resistance below across it.'),
  einLow: inputNoise('EIN at minimum gain', einLow, 'It rises as the gain falls.'),
  einResistance: {
    label: 'Source resistance for the EIN',
    unit: 'Ω',
    min: 0,
    max: 10e3,
    typical: { value: 150, basis: 'common practice' },
    help: '0 for a shorted input.',
  },
  dynamicRange: {
    label: 'Dynamic range of the converter, A-weighted',
    unit: 'dB',
    min: 60,
    max: 150,
    typical: { value: range, basis: 'common practice' },
  },
  padAttenuation: {
    label: 'Pad of the inlet',
    unit: 'dB',
    min: 3,
    max: 40,
    typical: { value: 20, basis: 'common practice' },
  },
  lowCut: {
    label: 'Low cut of the inlet (−3 dB)',
    unit: 'Hz',
    min: 5,
    max: 400,
    typical: { value: 80, basis: 'common practice' },
    help: 'Only where it is switched on: 12 dB an octave.',
  },
  recorderLowCut: {
    label: 'Low cut of the recorder (−3 dB)',
    unit: 'Hz',
    min: 5,
    max: 400,
    typical: { value: 80, basis: 'common practice' },
    help: 'Behind the converter, only where it is switched on: 12 dB an octave.',
  },
});

/** Figures of one more socket, under a name of their own. */
export const figuresOf = (
  socket: string,
  label: string,
  figures: Record<string, FigureSpec>,
): Record<string, FigureSpec> =>
  Object.fromEntries(
    Object.entries(figures)
      .filter(([name]) => !SHARED.has(name))
      .map(([name, spec]) => [prefixed(socket, name), { ...spec, label: `${spec.label}, ${label}` }]),
  );

const SHARED = new Set(['padAttenuation', 'lowCut', 'recorderLowCut', 'einResistance']);
/** Figures that differ between the sockets of one inlet. */
const BY_SOCKET = new Set(['gainMin', 'gainMax', 'fullScale', 'ein', 'einLow', 'dynamicRange']);

const prefixed = (socket: string, name: string): string => `${socket}${name[0].toUpperCase()}${name.slice(1)}`;

/** Which figure counts for a socket. */
export const figureOfSocket = (socket: string | undefined, figure: string): string =>
  socket && BY_SOCKET.has(figure) ? prefixed(socket, figure) : figure;

/** How the sheet states the EIN. */
const einWeighting = choice('EIN is stated', [
  ['unweighted', 'unweighted'],
  ['a-weighted', 'A-weighted'],
]);

const padChoice = setting('Pad of the inlet', [
  ['none', 'none'],
  ['off', 'there is one: out'],
  ['on', 'there is one: in'],
]);

const lowCutChoice = setting('Low cut of the inlet', [
  ['off', 'off, or none'],
  ['on', 'on'],
]);

const recorderCutChoice = setting('Low cut of the recorder', [
  ['off', 'off, or none'],
  ['on', 'on'],
]);

/** What every inlet lets somebody choose. */
export const levelChoices = { einWeighting, pad: padChoice, lowCut: lowCutChoice, recorderLowCut: recorderCutChoice };

/** Choices that only keep out what is low. */
export const LOW_CUTS = ['lowCut', 'recorderLowCut'] as const;

/** Reads an inlet as it counts for the plug that sits in it: the figures of that socket, the pad taken into account. */
export function inletReader(kind: InletKind, part: Part, plug?: ConnectorId): Reader {
  const plain = reader(kind as AnyKind, part);
  const named = (figure: string) => kind.figureFor?.(plain, plug, figure) ?? figure;
  const padded = 'pad' in kind.choices && plain.choice('pad') === 'on' ? plain.value('padAttenuation') : 0;
  // A pad lets more in, and everything behind it is that much nearer to the floor.
  const shift = (figure: string) => (['fullScale', 'ein', 'einLow'].includes(figure) ? padded : 0);
  return {
    value: (figure) => plain.value(named(figure)) + shift(figure),
    optional(figure) {
      const value = plain.optional(named(figure));
      return value === undefined ? undefined : value + shift(figure);
    },
    choice: plain.choice,
  };
}

/** Decibels that a source's own pad takes away as it is set. */
export const padOf = (kind: SourceKind, part: Part): number => {
  const read = reader(kind, part);
  return 'pad' in kind.choices && read.choice('pad') === 'on' ? read.value('padAttenuation') : 0;
};

/** A low cut that is switched on at a source, an inlet or the recorder behind it, in hertz. */
export const lowCutOf = (
  kind: SourceKind | InletKind,
  part: Part,
  which: (typeof LOW_CUTS)[number] = 'lowCut',
): number | undefined => {
  const read = reader(kind, part);
  return which in kind.choices && read.choice(which) === 'on' ? read.value(which) : undefined;
};
