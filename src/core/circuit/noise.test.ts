import { noiseDensities } from '../../../tests/referee/ngspice';
import { lineCircuit, type Line, type Part } from '../gear';
import { dbu } from '../units';
import { netlist, operatingPoint, spiceText } from '.';
import { noiseDensity } from './noise';

/** The noise of a resistance over 20 kHz, in volts. */
const thermal = (ohms: number): number => {
  const point = operatingPoint(netlist([{ type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms }]));
  return Math.sqrt(noiseDensity(point, 'x', 'gnd')(1000).total * 20_000);
};

/** Values worked by hand: 4kTRB over 20 kHz at 293.15 K. */
test.each([
  [150, 0.2204e-6, -130.92],
  [200, undefined, -129.67],
])('%d Ω over 20 kHz', (ohms, volts, level) => {
  if (volts) expect(thermal(ohms)).toBeCloseTo(volts, 10);
  expect(dbu(thermal(ohms))).toBeCloseTo(level, 2);
});

test('two resistances side by side make the noise of what both are together', () =>
  expect(
    noiseDensity(
      operatingPoint(
        netlist([
          { type: 'resistor', name: 'a', a: 'x', b: 'gnd', ohms: 300 },
          { type: 'resistor', name: 'b', a: 'x', b: 'gnd', ohms: 300 },
        ]),
      ),
      'x',
      'gnd',
    )(50).total,
  ).toBeCloseTo(thermal(150) ** 2 / 20_000, 24));

test('a resistor in parallel with a capacitor: kT/C over all frequencies, whatever the resistance', () => {
  const farads = 1e-9;
  const point = operatingPoint(
    netlist([
      { type: 'resistor', name: 'r', a: 'x', b: 'gnd', ohms: 1e4 },
      { type: 'capacitor', name: 'c', a: 'x', b: 'gnd', farads },
    ]),
  );
  const density = noiseDensity(point, 'x', 'gnd');
  let power = 0;
  for (let f = 1; f < 1e9; f *= 1.01) power += density(f * Math.sqrt(1.01)).total * f * 0.01;
  expect(power / ((1.380649e-23 * 293.15) / farads)).toBeCloseTo(1, 2);
});

const line = (source: Part, links: Part[] = [{ kind: 'cable' }], feed = 'off'): Line => ({
  id: 'line',
  name: 'line',
  source,
  links,
  inlet: { kind: 'three-pin', choices: { feed } },
});

/** ngspice referees the noise of whole lines, at 20 °C as well. */
describe('by ngspice', () => {
  test.each<[string, Line]>([
    ['moving coil', line({ kind: 'moving-coil' })],
    ['ribbon', line({ kind: 'passive-ribbon' })],
    [
      'moving coil through a pad',
      line({ kind: 'moving-coil' }, [{ kind: 'cable' }, { kind: 'pad' }, { kind: 'cable' }]),
    ],
    [
      'piezo over a passive direct box',
      line({ kind: 'piezo-pickup' }, [{ kind: 'passive-direct-box' }, { kind: 'cable' }]),
    ],
    ['condenser on P48', line({ kind: 'condenser-48' }, [{ kind: 'cable' }], 'P48')],
    [
      'ribbon through an isolating transformer',
      line({ kind: 'passive-ribbon' }, [{ kind: 'cable' }, { kind: 'isolating-transformer' }, { kind: 'cable' }]),
    ],
  ])('%s', async (_, at) => {
    const { netlist: circuit, channels } = lineCircuit(at);
    const [{ hot, cold }] = channels;
    const input = spiceText(circuit, { title: 'noise' })
      .text.split('\n')
      .find((row) => /^V/.test(row))!
      .split(' ')[0];
    const ours = [20, 200, 2000, 20_000].map((f) => noiseDensity(operatingPoint(circuit), hot, cold)(f).total);
    const theirs = await noiseDensities(circuit, hot, cold, input);
    // A thousandth of a decibel.
    ours.forEach((density, n) => expect(Math.abs(10 * Math.log10(density / theirs[n]))).toBeLessThan(1e-3));
  });
});
