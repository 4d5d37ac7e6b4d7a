import type { Line, Part } from '../../src/core/gear';
import { noiseBudget, type NoiseBudget } from '../../src/core/noise/budget';

/** Lines whose noise is predicted, and what is asked of a budget. */

export const figure = (value: number, unit: 'dBu' | 'dB' | 'Ω' | 'mV/Pa' | 'dB SPL') => ({
  value,
  unit,
  basis: 'maker' as const,
});
export const line = (source: Part, links: Part[] = [{ kind: 'cable' }], inlet: Part = { kind: 'three-pin' }): Line => ({
  id: 'line',
  name: 'line',
  source,
  links,
  inlet: { choices: { feed: 'off' }, ...inlet },
});
export const coil = (ohms: number): Part => ({ kind: 'moving-coil', figures: { coil: figure(ohms, 'Ω') } });
export const budget = (of: Line, wishes: Parameters<typeof noiseBudget>[1] = { target: -12 }): NoiseBudget => {
  const found = noiseBudget(of, wishes);
  if ('reason' in found) throw new Error(found.reason);
  return found;
};
export const part = ({ parts }: NoiseBudget, kind: string, at?: string | number) =>
  parts.find((each) => each.kind === kind && (at === undefined || each.part === at))!;
export const silent = { bands: [{ hz: 1000, level: -20 }] };
