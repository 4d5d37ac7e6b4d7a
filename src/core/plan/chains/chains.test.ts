import { cable, demoKit, demoRig, deviceOf, link, rigOf } from '../../../../tests/planning';
import { DEFAULT_SCHOOLS } from '../../schools';
import type { Part } from '../../gear';
import { assessor } from '../assess';
import { pieceKey, pieceLabel, type Piece } from '../pieces';
import { changesOf, matched, takesNoMore, type Chain } from './chain';
import { connections } from './connect';
import { rankedChains, type RankedChain } from './rank';
import { searchChains } from './search';
import { withChain } from '../apply';

const piece = (part: Part, count = 1): Piece => ({ key: pieceKey(part), part, label: pieceLabel(part), count });
const words = ({ links }: RankedChain) => links.map(({ label }) => label);
const gap = {
  source: 'plug-in-electret',
  plug: 'ts35',
  sockets: ['xlr3'],
  run: 0,
  lead: true,
  plugOn: false,
  mostToGet: 0,
} as const;

describe('connections', () => {
  const adapter = piece({ kind: 'plain-adapter' });
  const converter = piece({ kind: 'plug-in-converter' });
  const short = piece(cable(3));
  const long = piece(cable(20));

  test('every way from a mini-jack to a three-pin inlet, and none that ends in the air', () => {
    const found = connections(gap, [adapter, converter, short]).map((steps) =>
      steps.map((step) => step.piece.part.kind),
    );
    expect(found.toSorted()).toEqual(
      [['plain-adapter'], ['plain-adapter', 'cable'], ['plug-in-converter'], ['plug-in-converter', 'cable']].toSorted(),
    );
  });

  test('cables are as long as the run, an extension only where no single one reaches', () => {
    const over = (run: number, pieces: Piece[]) =>
      connections({ ...gap, plug: 'xlr3', run, lead: false }, pieces).map((steps) =>
        steps.flatMap(({ piece, joined = [] }) => [piece, ...joined]),
      );
    expect(over(15, [short, long])).toEqual([[long]]);
    expect(over(30, [short, { ...long, count: 2 }])).toEqual([
      [
        { ...long, count: 2 },
        { ...long, count: 2 },
      ],
    ]);
    expect(over(30, [short, { ...long, count: 1 }])).toEqual([]);
    expect(over(170, [short, long])).toEqual([]);
  });

  test('a microphone is not plugged into a desk without a cable, a plug-on transmitter goes without', () => {
    const bare = { ...gap, plug: 'xlr3', lead: false } as const;
    expect(connections(bare, [])).toEqual([]);
    expect(connections({ ...bare, plugOn: true }, [])).toEqual([[]]);
  });

  test('nothing that is out of stock or faulty', () =>
    expect(
      connections(gap, [
        { ...adapter, count: 0 },
        { ...converter, faulty: true },
      ]),
    ).toEqual([]));
});

describe('against what a line has now', () => {
  const step = (part: Part) => ({ piece: piece(part), part });
  const chain = (...parts: Part[]): Chain => ({ source: { kind: 'moving-coil' }, steps: parts.map(step) });
  const now = (...links: Part[]) => ({ source: { kind: 'moving-coil' }, links });
  const box = { kind: 'isolating-transformer' };

  test.each([
    [[cable(5)], [cable(5)], 0],
    [[cable(5)], [cable(10)], 1],
    [[cable(5)], [cable(5), box], 1],
    [[cable(5), box], [cable(5)], 1],
    [[box, cable(5)], [cable(5), box], 1],
    [[], [cable(5), box], 2],
  ])('changes from %j to %j: %d', (before, after, count) =>
    expect(changesOf(now(...before), chain(...after))).toBe(count),
  );

  test('what is set otherwise counts too', () => {
    const supply = (feed: string): Part => ({ kind: 'supply-box', choices: { feed } });
    expect(changesOf(now(supply('P48')), chain(supply('P12')))).toBe(1);
  });

  test('a link keeps its place in the order', () =>
    expect(matched([cable(5), box, cable(5)], [step(box), step(cable(5))])).toEqual([1, 2]));

  test('a chain takes no more than another one: the same things as often, and cables that are as easily found', () => {
    const chain = (...steps: Chain['steps']): Chain => ({ source: { kind: 'moving-coil' }, steps });
    const any = (least: number, most: number, ...families: string[]) => ({
      ...step(cable(5)),
      slot: { families: families.length ? families : ['xlr'], least, most },
    });
    expect(takesNoMore(chain(step(box), any(5, 2)), chain(any(5, 2)))).toBe(true);
    expect(takesNoMore(chain(any(5, 2)), chain(step(box), any(5, 2)))).toBe(false);
    expect(takesNoMore(chain(step(box)), chain(step(box), step(box)))).toBe(false);
    // What two cables joined would do for, one does for, too; and what is longer is long enough.
    expect(takesNoMore(chain(any(5, 1)), chain(any(5, 2)))).toBe(true);
    expect(takesNoMore(chain(any(8, 2)), chain(any(5, 2)))).toBe(true);
    expect(takesNoMore(chain(any(5, 2)), chain(any(5, 1)))).toBe(false);
    expect(takesNoMore(chain(any(5, 2)), chain(any(8, 2)))).toBe(false);
    expect(takesNoMore(chain(any(5, 1)), chain(any(5, 1, 'xlr', 'jack')))).toBe(true);
    expect(takesNoMore(chain(any(5, 1, 'xlr', 'jack')), chain(any(5, 1)))).toBe(false);
  });
});

describe('chains of the demo kit', () => {
  const ranked = (line: string, device: string, inlet: string, feed: Parameters<typeof rankedChains>[4]) =>
    rankedChains(demoRig(), demoKit(), line, { device, inlet }, feed)!;

  test('a body-worn electret on 48 V goes over the converter; the plain adapter is tempting, and not allowed', () => {
    const { allowed, refused } = ranked('guide-body-worn', 'desk', '7', 'P48');
    expect(words(allowed[0])).toEqual(['phantom to plug-in converter']);
    expect(allowed.every((chain) => words(chain).includes('phantom to plug-in converter'))).toBe(true);
    const plain = refused.find((chain) => words(chain).join() === 'plain adapter')!;
    // Check value of the plain adapter on P48: 45.96 V on a capsule of 0.3 mA.
    expect(plain).toMatchObject({
      verdict: 'Stop',
      reason: expect.stringMatching(/^Too much voltage.* 46 V on a capsule/),
    });
  });

  test('a double bass: the active box first, the passive one behind it for its low cut', () => {
    const { allowed } = ranked('double-bass', 'desk', '9', 'P48');
    expect(words(allowed[0])).toContain('active direct box');
    const passive = allowed.find((chain) => words(chain).includes('passive direct box'))!;
    expect(passive.verdict).toBe('Watch');
    expect(passive.rank).toBeGreaterThan(1);
    expect(allowed.map(({ rank }) => rank)).toEqual(allowed.map((_, n) => n + 1));
    expect(allowed.every(({ reason }) => reason !== '')).toBe(true);
  });

  test('a ribbon on a live feed: only behind an isolating transformer', () => {
    const { allowed, refused } = ranked('ribbon-left', 'desk', '3', 'P48');
    expect(allowed.map(words)).toEqual([['isolating transformer', 'cable 6 m, tested']]);
    expect(refused[0]).toMatchObject({ present: true, verdict: 'Stop' });
  });

  test('a condenser on an inlet without feed: over the supply box, the higher voltage first', () => {
    const { allowed } = ranked('large-condenser', 'bag', '3', 'off');
    expect(allowed.map(({ links }) => links.at(-1)?.set)).toEqual(['feed: 48 V', 'feed: 24 V']);
    expect(allowed[1].verdict).toBe('Watch');
  });

  test('a cable that is known to be broken is not used again', () => {
    const { allowed, refused } = ranked('announcer', 'desk', '8', 'off');
    expect(words(allowed[0])).toEqual(['XLR cable, 18 m or more']);
    expect(refused[0].reason).toMatch(/^Dead cable/);
  });

  test('a source of the kit that is on no line has chains, too', () => {
    const document = { ...demoRig(), lines: demoRig().lines.filter(({ id }) => id !== 'guide') };
    const { allowed } = rankedChains(document, demoKit(), 'moving-coil-guide', { device: 'bag', inlet: '1' }, 'off')!;
    expect(allowed[0]).toMatchObject({ verdict: 'Clear', present: false });
    const applied = withChain(document, 'moving-coil-guide', { device: 'bag', inlet: '1' }, allowed[0]);
    expect(applied.lines.at(-1)).toMatchObject({ name: 'dynamic, guide', inlet: { inlet: '1' } });
    expect(withChain(document, 'moving-coil-guide', { device: 'desk', inlet: '1' }, allowed[0])).toBe(document);
  });

  test('a line that others hang on, or that is not there, has no chains of its own', () => {
    expect(rankedChains(demoRig(), demoKit(), 'singer', { device: 'desk', inlet: '1' }, 'off')).toBeUndefined();
    expect(rankedChains(demoRig(), demoKit(), 'nobody', { device: 'desk', inlet: '1' }, 'off')).toBeUndefined();
  });
});

test('leaving out chains that cannot be better loses no better one', () => {
  const site = {
    inlet: { kind: 'three-pin', choices: { feed: 'P48' } },
    switch: { name: 'bank', offers: ['P48'], reaches: [] },
  };
  const pieces = [
    cable(5),
    cable(2, 'ts635'),
    { kind: 'passive-direct-box' },
    { kind: 'active-direct-box' },
    { kind: 'isolating-transformer' },
    { kind: 'pad' },
    { kind: 'supply-box' },
  ].map((part) => piece(part, 2));
  for (const source of [{ kind: 'piezo-pickup' }, { kind: 'passive-ribbon' }, { kind: 'moving-coil' }]) {
    const search = {
      source,
      links: [],
      site,
      run: 3,
      pieces,
      mostToGet: 0,
      assess: assessor(DEFAULT_SCHOOLS),
      own: [],
      reaches: false,
    };
    const best = (every: boolean) => {
      const clear = searchChains({ ...search, every }).filter(({ verdict }) => verdict === 'Clear');
      return Math.min(...clear.map(({ complexity }) => complexity));
    };
    expect([source.kind, best(false)]).toEqual([source.kind, best(true)]);
  }
});

test('a kit with nothing that fits has no chain: nothing stands where its inlet is', () => {
  const desk = deviceOf('desk', [{ inlets: 1, offers: [], feed: 'off' }]);
  const line = {
    id: 'a',
    name: 'a',
    source: { kind: 'piezo-pickup' },
    links: [],
    inlet: { device: 'desk', inlet: '1' },
  };
  expect(
    rankedChains(rigOf([desk], [line]), [link('x', 1, cable(5))], 'a', { device: 'desk', inlet: '1' }, 'off'),
  ).toMatchObject({ allowed: [], refused: [], run: 1 });
});
