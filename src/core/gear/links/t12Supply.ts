import type { LinkKind } from '../kinds';
import { FEEDS } from '../../standards/feeds';
import { cellFigures, choice, powerSetting } from '../shared';

/** The transformer that carries the signal on and keeps the feed from the inlet (common practice). */
const TRANSFORMER = { henries: 10, ohms: 40, coupling: 0.9999 };

export const t12Supply: LinkKind = {
  role: 'link',
  kind: 't12-supply',
  mends: 'T12 supply',
  label: 'T12 supply box',
  words: ['T12 supply'],
  summary: 'Feeds an older film-set microphone with 12 V between pins 2 and 3 and keeps that away from the inlet.',
  nature: 'supply',
  planning: {
    complexity: 5,
    place: 't12',
    against: ['unpowered'],
    gives: 'T12',
    tried: [
      { choices: { feed: 'T12' }, set: 'pin 2 positive', feed: 'off' },
      { choices: { feed: 'T12R' }, set: 'pin 3 positive', feed: 'off' },
    ],
  },
  figures: cellFigures(2500, 12, 1),
  choices: {
    feed: powerSetting('Feed', [
      ['T12', 'pin 2 positive, as standardised'],
      ['T12R', 'pin 3 positive'],
      ['off', 'off'],
    ]),
    power: choice('Runs on', [
      ['battery', 'battery'],
      ['mains', 'mains'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build(bench) {
    const { volts, ohms, limit, label, source } = FEEDS.T12;
    const setting = bench.choice('feed');
    const [pin1, pin2, pin3] = [bench.in('1'), bench.in('2'), bench.in('3')];
    bench.join(pin1, bench.out('1'));
    const [plus, minus] = setting === 'T12R' ? [pin3, pin2] : [pin2, pin3];
    bench.resistor('feed.plus', bench.node('bus'), plus, ohms);
    bench.resistor('feed.minus', minus, pin1, ohms);
    if (setting === 'off') bench.resistor('bleeder', bench.node('bus'), pin1, 100e3);
    else {
      bench.voltage('feed', bench.node('bus'), pin1, volts);
      bench.stake({
        type: 'feed',
        what: 'the supply box',
        feed: label,
        element: bench.element('feed'),
        resistors: [bench.element('feed.plus'), bench.element('feed.minus')],
        limit: { value: limit! / 1e3, source },
      });
    }
    const { henries, ohms: wire, coupling } = TRANSFORMER;
    bench.capacitor('coupling2', pin2, bench.node('coupled2'), 220e-6);
    bench.capacitor('coupling3', pin3, bench.node('coupled3'), 220e-6);
    bench.winding('primary', bench.node('coupled2'), bench.node('coupled3'), henries, wire);
    bench.winding('secondary', bench.out('2'), bench.out('3'), henries, wire);
    bench.couple('primary', 'secondary', coupling);
    bench.path({ from: '1', to: '1', look: 'wire' });
    bench.path({ from: '2', to: '2', look: 'transformer' });
    bench.path({ from: '3', to: '3', look: 'transformer' });
  },
};
