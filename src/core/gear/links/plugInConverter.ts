import type { LinkKind } from '../kinds';
import { pinFigures, stakePhantom } from '../phantom';
import { choice, resistance } from '../shared';

/** An ordinary silicon junction; with the regulator's own voltage in series it stands for a shunt regulator. */
const JUNCTION = { saturationAmps: 1e-14, emission: 1, volts: 0.65 };

/** From each pin to the regulator. */
const LEG = 10e3;

export const plugInConverter: LinkKind = {
  role: 'link',
  kind: 'plug-in-converter',
  mends: 'plug-in converter',
  label: 'Phantom to plug-in-power adapter',
  words: ['converter', 'plug-in power adapter'],
  summary: 'Takes phantom from the inlet, gives a lavalier its few volts, and keeps the phantom away from it.',
  nature: 'blocks feed',
  planning: {
    complexity: 4,
    adapts: true,
    serves: ['plug-in-electret'],
    passesPower: true,
    plugsIn: true,
    built: 'socket',
    gives: 'plug-in power',
    tried: [{ set: '', feed: 'P48' }],
  },
  figures: {
    gives: {
      label: 'Voltage it gives, open',
      unit: 'V',
      min: 1,
      max: 12,
      typical: { value: 4.2, basis: 'common practice' },
    },
    resistance: resistance('In series with the capsule', 4700),
    ...pinFigures(9, 7),
    outputResistance: resistance('Output resistance', 150),
  },
  choices: {
    socket: choice('Its 3.5 mm socket', [
      ['mono', 'mono: power on the tip'],
      ['stereo', 'stereo: power on tip and ring, summed'],
    ]),
  },
  ends: () => ({ input: 'trs35', output: 'xlr3' }),
  build(bench) {
    const [tip, sleeve] = [bench.in('T'), bench.in('S')];
    const [pin1, pin2, pin3] = [bench.out('1'), bench.out('2'), bench.out('3')];
    bench.join(sleeve, pin1);
    // Supply: from both pins to a shunt regulator, from there through the bias resistor to the tip.
    bench.resistor('leg2', pin2, bench.node('regulated'), LEG);
    bench.resistor('leg3', pin3, bench.node('regulated'), LEG);
    bench.diode(
      'regulator',
      bench.node('regulated'),
      bench.node('reference'),
      JUNCTION.saturationAmps,
      JUNCTION.emission,
    );
    bench.voltage('reference', bench.node('reference'), pin1, bench.value('gives') - JUNCTION.volts);
    bench.capacitor('filter', bench.node('regulated'), pin1, 100e-6);
    bench.resistor('bias', bench.node('regulated'), tip, bench.value('resistance'));
    if (bench.choice('socket') === 'stereo') {
      bench.resistor('bias.ring', bench.node('regulated'), bench.in('R'), bench.value('resistance'));
      bench.capacitor('input.ring', bench.in('R'), bench.node('input'), 1e-6);
    }
    // Signal: a follower, its output balanced by impedance.
    const half = bench.value('outputResistance') / 2;
    bench.capacitor('input', tip, bench.node('input'), 1e-6);
    bench.resistor('input.load', bench.node('input'), pin1, 100e3);
    bench.amplifier('follower', bench.node('drive'), pin1, bench.node('input'), pin1, 1);
    bench.resistor('output2', bench.node('drive'), bench.node('coupled2'), half);
    bench.capacitor('coupling2', bench.node('coupled2'), pin2, 100e-6);
    bench.resistor('output3', pin1, bench.node('coupled3'), half);
    bench.capacitor('coupling3', bench.node('coupled3'), pin3, 100e-6);
    stakePhantom(bench, 'the adapter', {
      rail: {
        between: [bench.node('regulated'), pin1],
        legs: [bench.element('leg2'), bench.element('leg3')],
        pickOff: LEG,
      },
    });
    // Its output swings between ground and the voltage it gives, and no further.
    bench.stake({
      type: 'greatest output',
      what: 'the adapter',
      between: [pin2, pin3],
      volts: bench.value('gives') / 2,
      because: 'it swings no further than the voltage it gives',
      basis: bench.limit('gives').basis,
      where: bench.limit('gives').where,
    });
    bench.path({ from: 'T', to: '2', look: 'amplifier' });
    bench.path({ from: 'S', to: '1', look: 'wire' });
  },
};
