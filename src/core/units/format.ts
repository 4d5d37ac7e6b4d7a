/** Figures as people read them: three digits, the unit's usual multiple, a true minus sign. */

const MULTIPLES: Record<string, [factor: number, unit: string][]> = {
  V: [
    [1, 'V'],
    [1e-3, 'mV'],
    [1e-6, 'µV'],
  ],
  A: [
    [1, 'A'],
    [1e-3, 'mA'],
    [1e-6, 'µA'],
  ],
  Ω: [
    [1e6, 'MΩ'],
    [1e3, 'kΩ'],
    [1, 'Ω'],
    [1e-3, 'mΩ'],
  ],
  W: [
    [1, 'W'],
    [1e-3, 'mW'],
  ],
  Hz: [
    [1e3, 'kHz'],
    [1, 'Hz'],
  ],
};

/** Decimals that leave three digits, but never more than two. */
const decimals = (value: number): number => (Math.abs(value) >= 99.95 ? 0 : Math.abs(value) >= 9.995 ? 1 : 2);

const minus = (text: string): string => text.replace('-', '−');

/** A number with its unit: `37.8 V`, `7.06 mA`, `216 kΩ`, `−21.6 dB`. Volts stay volts down to 10 mV. */
export function quantity(value: number, unit: string): string {
  const multiples = MULTIPLES[unit];
  if (!multiples) return minus(`${value.toFixed(unit.startsWith('d') ? 1 : decimals(value))} ${unit}`);
  const size = Math.abs(value);
  if (size < 1e-9) return `0 ${unit === 'A' ? 'mA' : unit}`;
  const [factor, name] =
    (unit === 'V' && size >= 0.01 ? multiples[0] : multiples.find(([f]) => size >= 0.9995 * f)) ??
    multiples[multiples.length - 1];
  return minus(`${(value / factor).toFixed(decimals(value / factor))} ${name}`);
}
