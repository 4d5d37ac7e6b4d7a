import type { LinkKind } from '../kinds';
import { buildCable, cable } from './cable';

const { length, resistance, capacitance } = cable.figures;

/** One pair of a multicore from its stage box to the desk; the line's number stands in its name. */
export const multicore: LinkKind = {
  ...cable,
  kind: 'multicore',
  label: 'Multicore line',
  words: ['snake', 'stage box', 'stagebox', 'multi'],
  summary: 'One numbered line of a multicore, from its stage box to the desk end.',
  planning: { complexity: 4, leftAlone: true },
  figures: {
    length: { ...length, typical: { value: 30, basis: 'assumed' } },
    resistance: { ...resistance, typical: { value: 0.1, basis: 'common practice' } },
    capacitance,
  },
  choices: { tested: cable.choices.tested },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build: (bench) => buildCable(bench, 'xlr3'),
};
