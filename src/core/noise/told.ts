import { ofPower } from '../signal';
import { quantity } from '../units/format';
import { INAUDIBLE } from './components';
import { WAYS, type Hunt, type HuntStep } from './hunt';
import { ORIGINS, type KeptMeasurement } from './kept';

/** What the log says of a measurement that is kept. */
export function measuredText({
  name,
  origin,
  gain,
  measurement: { reading },
}: Pick<KeptMeasurement, 'name' | 'origin' | 'gain' | 'measurement'>): string {
  const { bandDbfs, aWeightedDbfs } = reading;
  return `“${name}”, ${ORIGINS[origin]}: ${quantity(bandDbfs, 'dBFS')} RMS, ${quantity(aWeightedDbfs, 'dBFS')} A-weighted${gain === undefined ? '' : ` at ${quantity(gain, 'dB')} of gain`}`;
}

/** What the log says of a hunt that begins. @param line its name */
export const begunText = ({ way, suspects }: Pick<Hunt, 'way' | 'suspects'>, line: string): string =>
  `Hunt begun on ${line}: ${WAYS[way].toLowerCase()}, ${suspects.length} suspects`;

/** What the log says of a hunt's next measurement. @param hunt before it */
export function stepText({ suspects, steps }: Hunt, { on, components }: Pick<HuntStep, 'on' | 'components'>): string {
  const off = suspects.filter(({ id }) => !on.includes(id)).map(({ name }) => name);
  const levels = Object.entries(components)
    .filter(([, power]) => ofPower(power) > INAUDIBLE)
    .map(([name, power]) => `${name} ${quantity(ofPower(power), 'dBFS')}`);
  return `Hunt, measurement ${steps.length + 1}: ${off.length === 0 ? 'everything on' : off.length === suspects.length ? 'everything off' : `off: ${off.join(', ')}`}; ${levels.join(', ') || 'nothing heard'}`;
}
