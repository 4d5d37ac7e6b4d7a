import type { SourceKind } from '@/core/gear';
import { cellFigures, powerSetting, resistance, soundFigures } from '@/core/gear/shared';

/** A source kind: the small oscillator that is plugged in where a microphone will stand, to hear its line. */
export const oscillator: SourceKind = {
  role: 'source',
  kind: 'test-oscillator',
  label: 'Test oscillator',
  summary: 'A tone on a battery in an XLR barrel, to hear a line before the microphone is there.',
  character: 'self-powered',
  level: 'sensitivity',
  figures: {
    outputResistance: resistance('Output resistance', 150),
    ...soundFigures(2, 94, 94),
    ...cellFigures(500, 1.5, 0.5),
  },
  choices: {
    battery: powerSetting('Battery', [
      ['on', 'in and switched on'],
      ['off', 'missing, flat or switched off'],
    ]),
  },
  connector: () => 'xlr3',
  build(bench) {
    bench.voltage('signal', bench.node('tone'), bench.out('3'), 0, 1);
    bench.resistor('output', bench.node('tone'), bench.out('2'), bench.value('outputResistance'));
  },
};
