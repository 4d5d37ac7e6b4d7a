import type { Bench } from '../bench';
import type { LinkKind, Port } from '../kinds';
import { FEEDS, type PhantomName } from '../../standards/feeds';
import { powerSetting } from '../shared';

/** One channel: its feed, coupling capacitors, and a transformer from pins 2 and 3 to a contact of the mini-jack. */
function buildChannel(bench: Bench, name: 'left' | 'right', port: string | undefined, contact: 'T' | 'R'): void {
  const [pin1, pin2, pin3] = (['1', '2', '3'] as const).map((pin) => bench.in(pin, port));
  const setting = bench.choice('feed');
  const feed = FEEDS[(setting === 'off' ? 'P48' : setting) as PhantomName];
  bench.join(pin1, bench.out('S'));
  for (const [pin, node] of [
    ['2', pin2],
    ['3', pin3],
  ] as const) {
    bench.resistor(`${name}.feed${pin}`, bench.node('bus'), node, feed.ohms);
    bench.capacitor(`${name}.coupling${pin}`, node, bench.node(`${name}.coupled${pin}`), 47e-6);
  }
  const [start, end] = [bench.node(`${name}.coupled2`), bench.node(`${name}.coupled3`)];
  bench.winding(`${name}.primary`, start, end, 10, 60);
  bench.winding(`${name}.secondary`, bench.out(contact), bench.out('S'), 10, 60);
  bench.couple(`${name}.primary`, `${name}.secondary`, 0.9999);
}

export const cameraAdapter: LinkKind = {
  role: 'link',
  kind: 'camera-adapter',
  keepsChannelsApart: true,
  label: 'Camera adapter box',
  words: ['camera box'],
  summary:
    'Two XLR sockets under a camera, with phantom from its own battery; a stereo 3.5 mm lead goes to the camera.',
  nature: 'supply',
  planning: { complexity: 5, adapts: true, plain: true },
  figures: {},
  choices: {
    feed: powerSetting('Feed', [
      ['P48', '48 V'],
      ['P12', '12 V'],
      ['off', 'off'],
    ]),
  },
  ends: () => ({ input: 'xlr3', output: 'trs35' }),
  ports: (): Record<string, Port> => ({ right: { side: 'input', connector: 'xlr3', label: 'right socket' } }),
  build(bench) {
    const setting = bench.choice('feed');
    buildChannel(bench, 'left', undefined, 'T');
    buildChannel(bench, 'right', 'right', 'R');
    if (setting === 'off') bench.resistor('bleeder', bench.node('bus'), bench.in('1'), 100e3);
    else {
      const feed = FEEDS[setting as PhantomName];
      bench.voltage('feed', bench.node('bus'), bench.in('1'), feed.volts);
      bench.stake({
        type: 'feed',
        what: 'the adapter box',
        feed: feed.label,
        element: bench.element('feed'),
        resistors: [bench.element('left.feed2'), bench.element('left.feed3')],
        limit: { value: (2 * feed.limit!) / 1e3, source: feed.source },
      });
    }
    bench.path({ from: '1', to: 'S', look: 'wire' });
    bench.path({ from: '2', to: 'T', look: 'transformer' });
  },
};
