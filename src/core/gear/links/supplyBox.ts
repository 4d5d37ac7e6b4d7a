import type { LinkKind } from '../kinds';
import { feedLabel, FEEDS, type PhantomName } from '../../standards/feeds';
import { cellFigures, choice, powerSetting } from '../shared';

/** What empties it once it is off (assumed). */
const BLEEDER = 165e3;

export const supplyBox: LinkKind = {
  role: 'link',
  kind: 'supply-box',
  mends: 'phantom supply',
  label: 'Supply box',
  words: ['phantom supply', 'phantom box', 'external supply'],
  summary: 'Puts phantom on the line where the inlet has none, and keeps it away from the inlet.',
  nature: 'supply',
  planning: {
    complexity: 5,
    place: 'supply',
    against: ['unpowered', 'underpowered'],
    gives: 'phantom',
    tried: ['mains', 'battery'].flatMap((power) =>
      (['P48', 'P24', 'P12'] as const).map((feed) => ({
        choices: { power, feed },
        set: feedLabel(feed),
        feed: 'off' as const,
      })),
    ),
  },
  figures: cellFigures(500, 18, 2),
  choices: {
    feed: powerSetting('Feed', [
      ['P48', '48 V'],
      ['P24', '24 V'],
      ['P12', '12 V'],
      ['off', 'off'],
    ]),
    power: choice('Runs on', [
      ['mains', 'mains'],
      ['battery', 'battery'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'xlr3' }),
  build(bench) {
    const [pin1, pin2, pin3] = [bench.in('1'), bench.in('2'), bench.in('3')];
    bench.join(pin1, bench.out('1'));
    const setting = bench.choice('feed');
    const feed = FEEDS[(setting === 'off' ? 'P48' : setting) as PhantomName];
    bench.resistor('feed2', bench.node('bus'), pin2, feed.ohms);
    bench.resistor('feed3', bench.node('bus'), pin3, feed.ohms);
    if (setting === 'off') bench.resistor('bleeder', bench.node('bus'), pin1, BLEEDER);
    else {
      bench.voltage('feed', bench.node('bus'), pin1, feed.volts);
      bench.stake({
        type: 'feed',
        what: 'the supply box',
        feed: feed.label,
        element: bench.element('feed'),
        resistors: [bench.element('feed2'), bench.element('feed3')],
        limit: { value: feed.limit! / 1e3, source: feed.source },
      });
    }
    bench.capacitor('coupling2', pin2, bench.out('2'), 47e-6);
    bench.capacitor('coupling3', pin3, bench.out('3'), 47e-6);
    bench.path({ from: '1', to: '1', look: 'wire' });
    bench.path({ from: '2', to: '2', look: 'capacitor' });
    bench.path({ from: '3', to: '3', look: 'capacitor' });
  },
};
