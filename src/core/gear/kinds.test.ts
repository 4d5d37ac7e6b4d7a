import { magnitude, operatingPoint, smallSignal } from '../circuit';
import { decibels } from '../units';
import {
  activeBox,
  activeSplitter,
  attenuator,
  bodypack,
  booster,
  camera,
  comboIn,
  condenser,
  converter,
  dynamic,
  fivePin,
  hydrophone,
  insertIn,
  isolatingLead,
  lavalier,
  line as situation,
  lineJack,
  lineXlr,
  multicore,
  output,
  passiveBox,
  preamplifier,
  rcaIn,
  shared,
  splitter,
  stereoMic,
  stereoSplit,
  ts,
  xlr,
  xlrIn,
} from '../../../tests/lines/gear';
import { FEEDS } from '../standards/feeds';
import {
  asDrawn,
  CONNECTORS,
  INLETS,
  inletKind,
  inletReader,
  lineCircuit,
  LINKS,
  livesOnFeed,
  lowCutOf,
  padOf,
  planningOf,
  reader,
  SOURCES,
  sourceKind,
  type AnyStake,
  type Line,
  type Part,
} from '.';

const solved = (asked: Line) => {
  const circuit = lineCircuit(asDrawn(asked));
  return { circuit, point: operatingPoint(circuit.netlist) };
};
const level = (asked: Line, channel = 0, hertz = 1000): number => {
  const { circuit, point } = solved(asked);
  const { hot, cold } = circuit.channels[channel];
  return decibels(magnitude(smallSignal(point)(hertz).volts(hot, cold)));
};
const stakes = <T extends AnyStake['type']>(asked: Line, type: T) =>
  solved(asked).circuit.stakes.filter((stake): stake is Extract<AnyStake, { type: T }> => stake.type === type);

describe('kinds to have besides', () => {
  test.each([
    ['inlet', ['bodypack', 'xlr-line', 'insert', 'rca-line', 'two-wire-intercom']],
    [
      'link',
      [
        'preamplifier',
        'attenuating-lead',
        'isolating-lead',
        'blocking-adapter',
        'multicore',
        'active-splitter',
        'five-pin-split',
        'stereo-split',
      ],
    ],
    ['source', ['active-instrument', 'stereo-condenser', 'hydrophone-preamplifier']],
  ])('%s: all of them are in the catalogue, with figures that say where they come from', (role, kinds) => {
    const all = { inlet: INLETS, link: LINKS, source: SOURCES }[role as 'inlet' | 'link' | 'source'];
    for (const name of kinds) {
      const kind = all.find((each) => each.kind === name)!;
      expect(kind.role).toBe(role);
      for (const { typical } of Object.values(kind.figures)) if (typical) expect(typical.basis).toMatch(/\w/);
    }
  });

  test('connectors: five-pin, mini XLR and RCA go into their own kind and no other', () => {
    for (const id of ['xlr5', 'mini-xlr', 'rca'] as const) {
      const { contacts, reference, pairs } = CONNECTORS[id];
      expect(contacts).toContain(reference);
      expect(pairs.flat().every((contact) => contacts.includes(contact))).toBe(true);
    }
  });

  test.each([
    ['mini-to-jack', 'trs35', 'trs635'],
    ['mini-to-jack-mono', 'trs35', 'ts635'],
    ['jack-to-mini', 'trs635', 'trs35'],
    ['xlr-to-ts', 'xlr3', 'ts635'],
    ['rca-to-ts', 'rca', 'ts635'],
    ['ts-to-rca', 'ts635', 'rca'],
    ['rca-to-xlr', 'rca', 'xlr3'],
    ['mini-xlr-to-xlr', 'mini-xlr', 'xlr3'],
    ['mini-xlr-to-mini', 'mini-xlr', 'trs35'],
    ['mini-to-mini-xlr', 'trs35', 'mini-xlr'],
  ])('plain adapter %s leads from %s to %s, and every wire from a contact to a contact', (wiring, input, output) => {
    const kind = LINKS.find(({ kind: name }) => name === 'plain-adapter')!;
    const part: Part = { kind: 'plain-adapter', choices: { wiring } };
    expect(kind.ends(reader(kind, part))).toMatchObject({ input, output });
    const { circuit } = solved({
      ...situation(dynamic, { kind: 'cable', choices: { connector: input } }, part, xlrIn()),
    });
    for (const { from, to } of circuit.links[1].paths) {
      expect(CONNECTORS[input as 'xlr3'].contacts).toContain(from);
      expect(CONNECTORS[output as 'xlr3'].contacts).toContain(to);
    }
  });
});

describe('inlets with more than one set of figures', () => {
  const combo = inletKind('combo');
  test('the jack of a combo inlet has figures of its own, and so has its instrument setting', () => {
    const line = inletReader(combo, comboIn('line'), 'ts635');
    const instrument = inletReader(combo, comboIn('instrument'), 'ts635');
    const microphone = inletReader(combo, comboIn('line'), 'xlr3');
    expect(microphone.value('gainMax')).toBe(60);
    expect(line.value('gainMax')).toBe(20);
    expect(instrument.value('gainMax')).toBe(50);
    expect(line.value('fullScale')).toBeGreaterThan(microphone.value('fullScale'));
    expect(line.value('ein')).not.toBe(microphone.value('ein'));
  });
  test('what its owner stated for the jack counts for the jack alone', () => {
    const stated: Part = {
      ...comboIn('line'),
      figures: { jackFullScale: { value: 24, unit: 'dBu', basis: 'maker' } },
    };
    expect(inletReader(combo, stated, 'trs635').value('fullScale')).toBe(24);
    expect(inletReader(combo, stated, 'xlr3').value('fullScale')).toBe(10);
  });
  test('an XLR set to line reads the figures of line, and feeds nothing', () => {
    const kind = inletKind('three-pin');
    const set = xlrIn('P48', { input: 'line' });
    expect(inletReader(kind, set, 'xlr3').value('fullScale')).toBe(20);
    expect(solved(situation(dynamic, set)).circuit.stakes.some(({ type }) => type === 'feed')).toBe(false);
  });
  test('a pad lets that much more in, and the noise behind it stands that much higher', () => {
    const kind = inletKind('three-pin');
    const [out, pressed] = ['off', 'on'].map((pad) => inletReader(kind, xlrIn('off', { pad }), 'xlr3'));
    expect(pressed.value('fullScale') - out.value('fullScale')).toBe(20);
    expect(pressed.value('ein') - out.value('ein')).toBe(20);
    expect(pressed.value('gainMax')).toBe(out.value('gainMax'));
  });
  test('what a socket is meant for follows from the plug and the setting', () => {
    const purpose = (part: Part, plug: 'xlr3' | 'ts635') => combo.meantFor(reader(combo, part), plug);
    expect(purpose(comboIn('line'), 'xlr3')).toBe('microphone');
    expect(purpose(comboIn('line'), 'ts635')).toBe('line');
    expect(purpose(comboIn('instrument'), 'ts635')).toBe('instrument');
  });
});

describe('stereo outputs play both channels', () => {
  const stereo = output('trs35');
  test('each on a jack of its own: as loud as each other', () => {
    const left = situation(stereo, stereoSplit(), lineJack);
    const right = situation(stereo, { ...stereoSplit(), exit: 'right' }, lineJack);
    expect(level(left)).toBeCloseTo(level(right), 6);
  });
  test('the right channel is not heard on the left one', () => {
    const circuit = lineCircuit(asDrawn(situation(stereo, stereoSplit(), lineJack)), { only: 'right' });
    const { hot, cold } = circuit.channels[0];
    expect(magnitude(smallSignal(operatingPoint(circuit.netlist))(1000).volts(hot, cold))).toBeLessThan(1e-9);
  });
  test.each(['trs35-balanced', 'trs35-dual', 'ts35', 'rca', 'ts635'])('%s is one signal', (connector) => {
    const kind = sourceKind('line-output');
    expect(kind.stereo!(reader(kind, output(connector)))).toBe(false);
  });
  test('both systems of a stereo microphone come out of its lead', () => {
    const [first, second] = [fivePin, { ...fivePin, exit: 'right' }].map((lead) =>
      level(situation(stereoMic, lead, xlr(5), xlrIn('P48'))),
    );
    expect(first).toBeCloseTo(second, 3);
  });
});

describe('greatest outputs', () => {
  test('of a booster: what its current drives into 2 kΩ and the feed resistors', () => {
    const [stake] = stakes(situation(dynamic, booster, xlrIn('P48')), 'greatest output');
    // Half of 3 mA a leg into 6.8 kΩ beside 1 kΩ, both legs together.
    const leg = 1 / (1 / FEEDS.P48.ohms + 1 / 1000);
    expect(stake.volts).toBeCloseTo(3e-3 * leg, 9);
    expect(stake.because).toMatch(/3\.0 mA/);
  });
  test('of a booster whose sheet states it: as stated', () => {
    const sheet: Part = {
      ...booster,
      figures: { maxOutput: { value: 10, unit: 'dBu', basis: 'maker', where: 'sheet' } },
    };
    const [stake] = stakes(situation(dynamic, sheet, xlrIn('P48')), 'greatest output');
    expect(stake).toMatchObject({ basis: 'maker', where: 'sheet' });
    expect(stake.volts).toBeCloseTo(Math.SQRT2 * 0.7746 * 10 ** 0.5, 2);
  });
  test('of a plug-in-power adapter: half of the volts that it gives, either way', () => {
    const [stake] = stakes(situation(lavalier('ts35'), converter, xlrIn('P48')), 'greatest output');
    expect(stake.volts).toBeCloseTo(2.1, 6);
  });
  test('of a transformer: at low notes, in proportion to them', () => {
    const [stake] = stakes(situation(output('ts635'), passiveBox(), xlrIn()), 'greatest output');
    expect(stake.at).toBe(50);
    expect(stake.volts).toBeCloseTo(Math.SQRT2 * 0.7746 * 10 ** (18 / 20), 1);
  });
  test('of a field mixer set to microphone level: 50 dB less than at line level', () => {
    const most = (settings: Record<string, string>) =>
      stakes(situation(dynamic, preamplifier(settings), lineXlr), 'greatest output')[0].volts;
    expect(decibels(most({}) / most({ output: 'microphone' }))).toBeCloseTo(50, 6);
  });
});

describe('windings that only carry signal', () => {
  test.each<[string, Line]>([
    ['a direct box', situation(output('ts635'), passiveBox(), xlrIn('T12'))],
    ['a splitter', situation(dynamic, splitter(), xlrIn('T12'))],
  ])('%s states that direct current saturates it: a milliampere, assumed', (_, asked) => {
    const [stake] = stakes(asked, 'winding').filter(({ saturates }) => saturates);
    expect(stake.limit).toMatchObject({ value: 1e-3, basis: 'assumed' });
    const { point } = solved(asked);
    expect(Math.max(...stake.elements.map((name) => Math.abs(point.amps(name))))).toBeGreaterThan(1e-3);
  });
  test('with equal legs nothing flows in any of them', () => {
    const asked = situation(output('ts635'), passiveBox(), xlr(10), xlrIn('P48'));
    const { point } = solved(asked);
    for (const { elements } of stakes(asked, 'winding'))
      for (const name of elements) expect(Math.abs(point.amps(name))).toBeLessThan(1e-9);
  });
});

describe('grounds', () => {
  const feedReturns = (asked: Line): number => {
    const { circuit, point } = solved(asked);
    const feed = circuit.stakes.find(({ type }) => type === 'feed');
    return feed?.type === 'feed' ? Math.abs(point.amps(feed.element)) : 0;
  };
  const opened = { ...xlr(10), faults: [{ type: 'open' as const, contact: '1' as const }] };
  const laptop = (ground: string) => output('xlr3', 'direct', 4, ground);
  test.each([
    ['earthed', 'earthed', true],
    ['earthed', 'floating', false],
    ['floating', 'earthed', false],
    ['floating', 'floating', false],
  ] as const)('source %s, device %s, shield open: the feed returns: %s', (source, ground, returns) => {
    const amps = feedReturns({ ...situation(laptop(source), opened, xlrIn('P48')), ground });
    if (returns) expect(amps).toBeGreaterThan(10e-3);
    else expect(amps).toBeLessThan(1e-6);
  });
  test('an unknown ground is drawn as floating: what may not be there is not relied upon', () => {
    expect(feedReturns(situation(laptop('unknown'), opened, xlrIn('P48')))).toBeLessThan(1e-6);
  });
  test('two inlets of one device share its ground, those of two devices do not', () => {
    const two = (device: string) =>
      shared({ ...situation(condenser, splitter(), xlr(5), xlrIn('P48')), device: 'desk' }, 0, {
        inlet: xlrIn('P48'),
        device,
      });
    const nodes = (asked: Line) =>
      new Set(lineCircuit(asDrawn(asked)).netlist.elements.flatMap((each) => ('a' in each ? [each.a, each.b] : [])));
    const grounds = (asked: Line) => [...nodes(asked)].filter((node) => node === 'gnd' || node.endsWith('.ground'));
    expect(grounds(two('desk'))).toEqual(['gnd']);
    expect(grounds(two('stream')).length).toBe(2);
  });
});

describe('what others ask of a kind', () => {
  test('what lives on a feed, and what on its own battery', () => {
    expect(livesOnFeed(sourceKind('condenser-48'), condenser)).toBe(true);
    expect(livesOnFeed(sourceKind('moving-coil'), dynamic)).toBe(false);
    const kind = LINKS.find(({ kind: name }) => name === 'active-direct-box')!;
    expect(livesOnFeed(kind, activeBox('off'))).toBe(true);
    expect(livesOnFeed(kind, activeBox('on'))).toBe(false);
    expect(livesOnFeed(sourceKind('hydrophone-preamplifier'), hydrophone)).toBe(true);
  });
  test('pads and low cuts count only where they are switched in', () => {
    const kind = sourceKind('condenser-48');
    const set = (choices: Record<string, string>): Part => ({ kind: 'condenser-48', choices });
    expect(padOf(kind, set({ pad: 'off' }))).toBe(0);
    expect(padOf(kind, set({ pad: 'on' }))).toBe(10);
    expect(lowCutOf(kind, set({}))).toBeUndefined();
    expect(lowCutOf(kind, set({ lowCut: 'on' }))).toBe(80);
    expect(padOf(sourceKind('moving-coil'), dynamic)).toBe(0);
  });
  test('every link says how it may stand in a plan, or is left alone', () => {
    for (const { kind, planning, nature } of LINKS) {
      if (nature === 'TRS patch point') continue;
      expect(planning).toBeDefined();
      expect(planningOf(kind)).toBe(planning);
      expect(planning!.complexity).toBeGreaterThan(0);
      if (planning!.leftAlone) expect(planning!.place).toBeUndefined();
    }
    expect(planningOf('combo')).toBeUndefined();
  });
});

describe('levels through the new links', () => {
  test('a field mixer amplifies by what is set on it', () => {
    const through = (gain: number) => level(situation(dynamic, preamplifier({}, gain), lineXlr));
    expect(through(60) - through(40)).toBeCloseTo(20, 6);
  });
  test('an attenuating lead takes what it says, into a camera', () => {
    const plain = level(situation(output('trs35'), camera('off')));
    expect(plain - level(situation(output('trs35'), attenuator(), camera('off')))).toBeGreaterThan(23);
  });
  test('an isolating lead passes left to left, and no direct current at all', () => {
    const asked = situation(output('trs35'), isolatingLead('mini'), camera());
    const { circuit, point } = solved(asked);
    const { T, S } = circuit.junctions[0].nodes;
    expect(Math.abs(point.volts(T, S) ?? 0)).toBeLessThan(1e-6);
    expect(level(asked)).toBeGreaterThan(-6);
  });
  test('a multicore is a cable with the resistance of one', () => {
    expect(level(situation(dynamic, multicore(50), xlrIn()))).toBeCloseTo(
      level(situation(dynamic, xlr(50), xlrIn())),
      1,
    );
  });
  test('both outputs of an active splitter hear the microphone', () => {
    const asked = (exit?: string) =>
      shared(situation(dynamic, { ...activeSplitter('off'), ...(exit && { exit }) }, xlr(5), xlrIn()), 0, {
        port: exit ? '' : 'b',
        inlet: xlrIn(),
      });
    expect(level(asked())).toBeCloseTo(level(asked('b')), 2);
  });
  test('a direct box with its loudspeaker pad: 40 dB less than without', () => {
    const plain = level(situation(output('ts635'), ts(1), passiveBox(), xlrIn()));
    const padded = level(situation(output('ts635'), ts(1), passiveBox('loudspeaker'), xlrIn()));
    expect(plain - padded).toBeGreaterThan(38);
    expect(plain - padded).toBeLessThan(43);
  });
  test('of an insert only the return is heard', () => {
    expect(level(situation(output('ts635'), insertIn))).toBeLessThan(-60);
  });
  test('an RCA inlet hears an RCA output', () => expect(level(situation(output('rca'), rcaIn))).toBeGreaterThan(-0.5));
  test('a bodypack hears two-wire and three-wire lavaliers', () => {
    expect(level(situation(lavalier('ts35'), bodypack))).toBeGreaterThan(-3);
    expect(level(situation(lavalier('trs35-tip', 'three'), bodypack))).toBeGreaterThan(-4);
  });
});
