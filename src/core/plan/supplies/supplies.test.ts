import fc from 'fast-check';
import { clock, demoKit, demoRig, solver } from '../../../../tests/planning';
import type { DcLoad, DcSupply, DirectCurrent } from '../../rig';
import { checkDirectCurrent, dcOptions } from './directCurrent';
import { assignDirectCurrent } from './outlets';
import { supplyOptions } from './phantom';

const figure = <U extends 'V' | 'mA'>(value: number, unit: U) => ({ value, unit, basis: 'maker' }) as const;

const supply = (more: Partial<DcSupply> = {}): DcSupply => ({
  id: 'supply',
  name: 'supply',
  outlets: 3,
  isolated: false,
  centre: 'negative',
  volts: figure(9, 'V'),
  limit: figure(100, 'mA'),
  ...more,
});

const load = (id: string, more: Partial<DcLoad> = {}): DcLoad => ({
  id,
  name: id,
  centre: 'negative',
  ground: 'negative',
  digital: false,
  lowest: figure(8, 'V'),
  highest: figure(10, 'V'),
  current: figure(20, 'mA'),
  on: { supply: 'supply', outlet: 1 },
  ...more,
});

const codes = (own: DirectCurrent) => checkDirectCurrent(own).map(({ findings }) => findings.map(({ code }) => code));

describe('what hangs on a direct-current supply', () => {
  test.each<[string, Partial<DcSupply>, Partial<DcLoad>, string[], string]>([
    ['all right', {}, {}, [], 'Clear'],
    ['the wrong way round', { centre: 'positive' }, {}, ['polarity'], 'Stop'],
    ['too much voltage', { volts: figure(18, 'V') }, {}, ['voltage-high'], 'Stop'],
    ['too little voltage', { volts: figure(5, 'V') }, {}, ['voltage-low'], 'Silent'],
    ['more current than the outlet has', {}, { current: figure(120, 'mA') }, ['outlet-overload'], 'Watch'],
    ['three times what the outlet has', {}, { current: figure(300, 'mA') }, ['outlet-overload'], 'Stop'],
    ['on none', {}, { on: undefined }, ['no-supply'], 'Silent'],
  ])('%s', (_, from, to, found, verdict) => {
    const own = { supplies: [supply(from)], loads: [load('box', to)] };
    expect(codes(own)).toEqual([found]);
    expect(checkDirectCurrent(own)[0].verdict).toBe(verdict);
  });

  const pair = (isolated: boolean, a: Partial<DcLoad>, b: Partial<DcLoad>, more: Partial<DcSupply> = {}) => ({
    supplies: [supply({ isolated, ...more })],
    loads: [load('a', a), load('b', { on: { supply: 'supply', outlet: 2 }, ...b })],
  });

  test('opposite signal grounds on a shared ground short the supply; isolated outlets keep them apart', () => {
    expect(codes(pair(false, {}, { ground: 'positive' }))).toEqual([['grounds-short'], ['grounds-short']]);
    expect(codes(pair(true, {}, { ground: 'positive' }))).toEqual([[], []]);
  });

  test('a clock beside an analogue box on one ground may whine', () => {
    expect(codes(pair(false, {}, { digital: true }))).toEqual([['clock-noise'], ['clock-noise']]);
    expect(codes(pair(true, {}, { digital: true }))).toEqual([[], []]);
  });

  test('a shared ground alone is a note', () => {
    const [first] = checkDirectCurrent(pair(false, {}, {}));
    expect([first.verdict, first.findings.map(({ severity }) => severity)]).toEqual(['Clear', ['note']]);
  });

  test('all outlets together are held against the supply, one outlet against its own limit', () => {
    const much = pair(true, { current: figure(80, 'mA') }, { current: figure(80, 'mA') }, { total: figure(150, 'mA') });
    expect(codes(much)).toEqual([['supply-overload'], ['supply-overload']]);
    const chained = pair(
      true,
      { current: figure(80, 'mA') },
      { current: figure(80, 'mA'), on: { supply: 'supply', outlet: 1 } },
    );
    expect(codes(chained).every((found) => found.includes('outlet-overload'))).toBe(true);
  });

  test('the numbers and where they come from are told', () => {
    const [{ findings }] = checkDirectCurrent({ supplies: [supply({ volts: figure(18, 'V') })], loads: [load('box')] });
    expect(findings[0].why).toBe('supply gives 18 V; box is rated for 10 V.');
    expect(findings[0].basis).toBe('most voltage: maker');
  });
});

test('every supply is told for a load, with the reason', () => {
  const own = demoRig().directCurrent!;
  const told = Object.fromEntries(
    dcOptions(own, 'piano-chorus').map(({ supply: id, verdict, reason }) => [id, [verdict, reason]]),
  );
  expect(told['five-way']).toEqual(['Stop', expect.stringMatching(/shorts the supply/)]);
  expect(told.isolated).toEqual(['Clear', 'It gives 9 V and up to 250 mA; 6 mA are drawn.']);
  expect(dcOptions(own, 'nobody')).toEqual([]);
});

describe('arranging', () => {
  const arranged = async (own: DirectCurrent): Promise<DirectCurrent> => {
    const outlets = assignDirectCurrent(own, await solver, { seconds: 30, clock });
    return { ...own, loads: own.loads.map((each) => ({ ...each, on: outlets.get(each.id) })) };
  };

  test('the demo: everything hangs right on the isolated supply', async () => {
    const after = await arranged(demoRig().directCurrent!);
    expect(checkDirectCurrent(demoRig().directCurrent!).map(({ verdict }) => verdict)).toEqual([
      'Stop',
      'Stop',
      'Stop',
      'Silent',
    ]);
    expect(checkDirectCurrent(after).every(({ verdict }) => verdict === 'Clear')).toBe(true);
  });

  test('what is right already stays', async () => {
    const own = {
      supplies: [supply({ isolated: true })],
      loads: [load('a', { on: { supply: 'supply', outlet: 3 } }), load('b', { on: undefined })],
    };
    const after = await arranged(own);
    expect(after.loads[0].on).toEqual({ supply: 'supply', outlet: 3 });
    expect(after.loads[1].on?.outlet).not.toBe(3);
  });

  const chance = fc.record({
    isolated: fc.boolean(),
    outlets: fc.integer({ min: 1, max: 3 }),
    total: fc.option(fc.integer({ min: 20, max: 120 }), { nil: undefined }),
    loads: fc.array(
      fc.record({
        centre: fc.constantFrom('negative' as const, 'positive' as const),
        ground: fc.constantFrom('negative' as const, 'positive' as const),
        digital: fc.boolean(),
        current: fc.integer({ min: 10, max: 120 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  });

  test('by chance: whatever is hung up does no harm and overloads nothing, and no more could be', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(chance, ({ isolated, outlets, total, loads }) => {
        const own: DirectCurrent = {
          supplies: [supply({ isolated, outlets, ...(total && { total: figure(total, 'mA') }) })],
          loads: loads.map(({ current, ...rest }, n) =>
            load(`box-${n}`, { ...rest, current: figure(current, 'mA'), on: undefined }),
          ),
        };
        const hung = assignDirectCurrent(own, solve, { seconds: 30, clock });
        const after = own.loads.flatMap((each) => (hung.get(each.id) ? [{ ...each, on: hung.get(each.id) }] : []));
        const results = checkDirectCurrent({ ...own, loads: after });
        expect(
          results.flatMap(({ findings }) =>
            findings.filter(({ severity, code }) => severity === 'harm' || code.endsWith('overload')),
          ),
        ).toEqual([]);
        expect(after.length).toBe(mostHung(own));
      }),
      { numRuns: 60 },
    );
  });
});

/** The most loads that can hang on the one supply without harm or overload, by trying every set of them. */
function mostHung({ supplies: [own], loads }: DirectCurrent): number {
  let most = 0;
  for (let set = 0; set < 1 << loads.length; set++) {
    const some = loads.filter((_, n) => set & (1 << n));
    if (some.length > own.outlets) continue;
    const hung = some.map((each, n) => ({ ...each, on: { supply: own.id, outlet: n + 1 } }));
    const results = checkDirectCurrent({ supplies: [own], loads: hung });
    const good = results.every(({ findings }) =>
      findings.every(
        ({ severity, code }) => severity !== 'harm' && severity !== 'silent' && !code.endsWith('overload'),
      ),
    );
    if (good) most = Math.max(most, some.length);
  }
  return most;
}

describe('phantom supplies, converters and boosters for a line', () => {
  const options = (line: string, rig = 'lock-nine') => supplyOptions(demoRig(rig), demoKit(), line)!;
  const option = (line: string, label: string) => options(line).find((each) => each.label === label)!;

  test('the condenser that wants 32 V: 48 V would do, 12 V would not, with the numbers', () => {
    expect(option('large-condenser', 'Supply box, 48 V')).toMatchObject({ suitable: true, verdict: 'Clear' });
    expect(option('large-condenser', 'Supply box, 12 V')).toMatchObject({
      suitable: false,
      verdict: 'Silent',
      reason: expect.stringMatching(/Only 11 V.*Needs 32 V \(data sheet\)/),
    });
  });

  test('the T12 microphone: the T12 box, which the kit does not have; no phantom box', () => {
    const would = options('t12-shotgun').filter(({ suitable }) => suitable);
    expect(would.map(({ label, owned }) => [label, owned])).toEqual([['T12 supply box, pin 2 positive', 0]]);
  });

  test('a body-worn electret: the converter, of which the kit has two', () =>
    expect(option('guide-body-worn', 'Phantom to plug-in-power adapter')).toMatchObject({ suitable: true, owned: 2 }));

  test('a microphone that needs nothing is told so', () => {
    const { suitable, reason } = option('guide', 'Supply box, 48 V');
    expect([suitable, reason]).toEqual([false, expect.stringMatching(/takes no power/)]);
  });

  test('a booster does for the moving coil and starves the condenser', () => {
    expect(option('announcer', 'Inline booster').suitable).toBe(true);
    expect(option('pair-a-left', 'Inline booster')).toMatchObject({ suitable: false, verdict: 'Silent' });
  });

  test('what does not fit says so', () =>
    expect(option('wireless', 'Supply box, 48 V').reason).toMatch(/connectors do not go between/));
});
