import { cable, deviceOf, rigOf } from '../../../tests/planning';
import { DEFAULT_SCHOOLS } from '../schools';
import { judgeAsDrawn, judgeLine } from '../check/check';
import { SOURCES, type Line, type Part } from '../gear';
import { alikeOf } from './alike';
import { assessor } from './assess';
import { placesOf, siteOf } from './places';

const DESK = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'off' }]);
const [place] = placesOf(rigOf([DESK], []));
const at = (feed: 'off' | 'P48') => siteOf(place, feed);
/** What people put between a source and an inlet, in the orders they do. */
const CHAINS: Part[][] = [
  [cable(5)],
  [{ kind: 'plain-adapter' }, cable(5)],
  [{ kind: 'plain-adapter' }, { ...cable(5), choices: { connector: 'xlr3' } }],
  [{ kind: 'plug-in-converter' }, cable(5)],
  [{ kind: 'passive-direct-box' }, cable(5)],
  [{ kind: 'active-direct-box' }, cable(5)],
  [cable(3), { kind: 'isolating-transformer' }, cable(3)],
  [cable(3), { kind: 'inline-booster' }, cable(3)],
  [cable(3), { kind: 'supply-box' }, cable(3)],
  [cable(3), { kind: 'supply-box', choices: { feed: 'P12' } }, cable(3)],
  [cable(3), { kind: 't12-supply' }, cable(3)],
  [cable(3), { kind: 'preamplifier' }, cable(3)],
  [cable(3), { kind: 'active-splitter' }, cable(3)],
  [cable(50), { kind: 'camera-adapter' }],
  [{ kind: 'plug-in-converter' }, cable(50), { kind: 'supply-box' }],
];
const LITTLE_GAIN = { gainMax: { value: 20, unit: 'dB', basis: 'assumed' } } as const;
const refused = (verdict: string | undefined) => verdict === 'Stop' || verdict === 'Silent';
const every = SOURCES.flatMap(({ kind }) =>
  CHAINS.flatMap((links) => (['off', 'P48'] as const).map((feed) => ({ source: { kind } as Part, links, feed }))),
);

test('what is refused once is refused each time: nothing that works is lost, nothing that harms is let in', () => {
  const [once, each] = [assessor(DEFAULT_SCHOOLS, 'once'), assessor(DEFAULT_SCHOOLS, 'each')];
  // Inlets that amplify otherwise, and of another kind: what is known of one is not taken for true of all.
  const inlets = [
    (feed: 'off' | 'P48') => at(feed),
    (feed: 'off' | 'P48') => ({ ...at(feed), inlet: { ...at(feed).inlet, figures: LITTLE_GAIN } }),
    (feed: 'off' | 'P48') => ({ ...at(feed), inlet: { ...at(feed).inlet, kind: 'combo' } }),
  ];
  const differing = inlets.flatMap((inlet) =>
    every.filter(({ source, links, feed }) => {
      const [a, b] = [once, each].map((assess) => assess(source, links, inlet(feed))?.verdict);
      return refused(a) !== refused(b) || (!refused(a) && a !== b);
    }),
  );
  expect(differing).toEqual([]);
});

test('a line that is refused as drawn is refused whatever its open questions are answered', () => {
  const differing = every.filter(({ source, links, feed }) => {
    const line: Line = { id: 'a', name: 'a', source, links, inlet: at(feed).inlet, switch: at(feed).switch };
    try {
      const [quick, full] = [judgeAsDrawn(line, DEFAULT_SCHOOLS), judgeLine(line, DEFAULT_SCHOOLS)];
      return refused(full.verdict)
        ? !refused(quick.verdict)
        : JSON.stringify(quick.findings) !== JSON.stringify(full.findings);
    } catch {
      return false;
    }
  });
  expect(differing).toEqual([]);
});

describe('chains that are alike', () => {
  const whole = (links: Part[]) => JSON.stringify(alikeOf({ kind: 'moving-coil' }, links, at('off').inlet).whole);
  test('two cables of one sort are one, tested or not, however long', () => {
    expect(whole([cable(3), cable(5)])).toBe(whole([cable(8)]));
    expect(whole([{ ...cable(5), choices: { connector: 'xlr3' } }])).toBe(whole([cable(5)]));
  });
  test('a fault, a box make another', () => {
    const broken: Part = { ...cable(5), faults: [{ type: 'open', contact: '2' }] };
    expect(whole([broken])).not.toBe(whole([cable(5)]));
    expect(whole([{ kind: 'isolating-transformer' }, cable(5)])).not.toBe(whole([cable(5)]));
  });
  test('a beginning ends where no direct current passes, and not at a converter that passes power on', () => {
    const begins = (links: Part[]) => alikeOf({ kind: 'moving-coil' }, links, at('P48').inlet).beginnings;
    expect(begins([cable(5)])).toHaveLength(0);
    expect(begins([cable(3), { kind: 'isolating-transformer' }, cable(3)])).toHaveLength(1);
    expect(begins([cable(3), { kind: 'supply-box' }, cable(3)])).toHaveLength(1);
    expect(begins([{ kind: 'plug-in-converter' }, cable(3)])).toHaveLength(0);
  });
});
