import { spread } from '../../../tests/explore';
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
const lead = (connector: string): Part => ({ ...cable(2), choices: { connector } });
/** Plugs of which not every contact meets something in what they go into. */
const PLUGS: Part[] = [
  { kind: 'plug-in-electret', choices: { connector: 'trrs35' } },
  { kind: 'plug-in-electret', choices: { connector: 'trrs35-omtp' } },
  { kind: 'line-output', choices: { connector: 'trs635', coupling: 'transformer' } },
  { kind: 'wireless-receiver', choices: { connector: 'trs635', coupling: 'transformer' } },
];
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
  [lead('trrs35'), { kind: 'plug-in-converter' }, cable(5)],
  [
    lead('trrs35'),
    { kind: 'plain-adapter', choices: { wiring: 'trrs-to-trs' } },
    { kind: 'plug-in-converter' },
    cable(5),
  ],
  [lead('trrs35'), { kind: 'plain-adapter' }, cable(5), { kind: 'supply-box' }],
  [lead('trs635'), { kind: 'passive-direct-box' }, cable(5)],
  [lead('trs635'), { kind: 'active-direct-box', choices: { battery: 'on' } }, cable(5)],
];
const LITTLE_GAIN = { gainMax: { value: 20, unit: 'dB', basis: 'assumed' } } as const;
const refused = (verdict: string | undefined) => verdict === 'Stop' || verdict === 'Silent';
const every = [...SOURCES.map(({ kind }): Part => ({ kind })), ...PLUGS].flatMap((source) =>
  CHAINS.flatMap((links) => (['off', 'P48'] as const).map((feed) => ({ source, links, feed }))),
);

/** In the sample, one in three of them. */
const tried = [...spread(() => every, every.length / 3)];

test('what is refused once is refused each time: nothing that works is lost, nothing that harms is let in', () => {
  const [once, each] = [assessor(DEFAULT_SCHOOLS, 'once'), assessor(DEFAULT_SCHOOLS, 'each')];
  // Inlets that amplify otherwise, and of another kind: what is known of one is not taken for true of all.
  const inlets = [
    (feed: 'off' | 'P48') => at(feed),
    (feed: 'off' | 'P48') => ({ ...at(feed), inlet: { ...at(feed).inlet, figures: LITTLE_GAIN } }),
    (feed: 'off' | 'P48') => ({ ...at(feed), inlet: { ...at(feed).inlet, kind: 'combo' } }),
  ];
  const differing = inlets.flatMap((inlet) =>
    tried.filter(({ source, links, feed }) => {
      const [a, b] = [once, each].map((assess) => assess(source, links, inlet(feed))?.verdict);
      return refused(a) !== refused(b) || (!refused(a) && a !== b);
    }),
  );
  expect(differing).toEqual([]);
});

test('a line that is refused as drawn is refused whatever its open questions are answered', () => {
  const differing = tried.filter(({ source, links, feed }) => {
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

test('a microphone whose contact meets nothing is tried once, and one that finds its way by other wires is tried', () => {
  const assess = assessor(DEFAULT_SCHOOLS, 'once');
  const [electret, , , receiver] = PLUGS;
  const over = (...links: Part[]) => assess(electret, links, at('P48'));
  const first = over(lead('trrs35'), { kind: 'plug-in-converter' }, cable(5));
  expect(first?.verdict).toBe('Silent');
  expect(over(lead('trrs35'), { kind: 'plug-in-converter' }, cable(50))).toBe(first);
  const wired = over(
    lead('trrs35'),
    { kind: 'plain-adapter', choices: { wiring: 'trrs-to-trs' } },
    { kind: 'plug-in-converter' },
    cable(5),
  );
  expect(wired?.verdict).toBe('Clear');
  // Of a floating output one wire is not led on, and what arrives over the capacitance of the cable is heard all the same.
  const box: Part = { kind: 'active-direct-box', choices: { battery: 'on' } };
  expect(assess(receiver, [lead('trs635'), box, cable(5)], at('off'))?.verdict).toBe('Clear');
});

describe('chains that are alike', () => {
  const whole = (links: Part[]) => alikeOf({ kind: 'moving-coil' }, links).whole;
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
    const begins = (links: Part[], kind = 'moving-coil') => alikeOf({ kind }, links).beginnings;
    expect(begins([cable(5)])).toHaveLength(0);
    expect(begins([cable(3), { kind: 'isolating-transformer' }, cable(3)])).toHaveLength(1);
    expect(begins([cable(3), { kind: 'supply-box' }, cable(3)])).toHaveLength(1);
    expect(begins([{ kind: 'plug-in-converter' }, cable(3)], 'plug-in-electret')).toHaveLength(0);
  });
});
