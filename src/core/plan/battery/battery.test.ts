import { CHEMISTRIES } from '../../rig/deviceFigures';
import { capacityAt } from './capacity';
import { cable, demoRig, deviceOf, planned, rigOf } from '../../../../tests/planning';
import type { Batteries, RigDocument, RigLine, SwitchGroup } from '../../rig';
import type { Part } from '../../gear';
import { energyOf, hoursOf } from './cells';
import { dayOnCells } from './day';
import { ownCells } from './ownCells';
import { hours, runningTimes } from './runningTime';

const figure = <U extends 'mAh' | '%' | 'W' | 'h' | 'V'>(value: number, unit: U) =>
  ({ value, unit, basis: 'measured' }) as const;

/** Four cells of 2 Ah at 1.2 V, all of it usable: 9.6 Wh. */
const CELLS: Batteries = {
  cells: 4,
  chemistry: 'nickel metal hydride',
  capacity: figure(2000, 'mAh'),
  usable: figure(100, '%'),
  baseLoad: figure(2, 'W'),
  efficiency: figure(80, '%'),
};

const condenser = (needs: number): Part => ({
  kind: 'condenser-9-52',
  figures: {
    needs: { ...figure(needs, 'V'), basis: 'maker' },
    stops: { ...figure(6, 'V'), basis: 'maker' },
  },
});

const line = (id: string, source: Part, inlet: string, device = 'bag'): RigLine => ({
  id,
  name: id,
  source,
  links: [cable(5)],
  inlet: { device, inlet },
});

/** Three condensers on one switch of a bag recorder, one of which wants 32 V; a desk on the mains with room. */
function bagRig(school: string, batteries: Batteries = CELLS): RigDocument {
  const bag = deviceOf('bag', [{ inlets: 3, offers: ['P12', 'P24', 'P48'], feed: 'P48' }], { batteries });
  const desk = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'off' }]);
  return {
    ...rigOf(
      [bag, desk],
      [line('small-a', condenser(8), '1'), line('small-b', condenser(8), '2'), line('large', condenser(32), '3')],
    ),
    schools: { batteryVoltage: school },
  };
}

test('energy and hours are the arithmetic of the cells', () => {
  const energy = energyOf(CELLS);
  expect(energy.wattHours).toBeCloseTo(4 * 2 * 1.2, 12);
  expect(hoursOf(energy, 0)).toBeCloseTo(9.6 / 2, 12);
  // 0.4 W at the inlets takes 0.5 W from the cells.
  expect(hoursOf(energy, 0.4)).toBeCloseTo(9.6 / 2.5, 12);
});

test('what nobody has stated is taken from the chemistry, and says where that comes from', () => {
  const { rests } = energyOf({ cells: 2, chemistry: 'alkaline' });
  expect(rests.map(({ basis }) => basis)).toEqual(['from memory', 'from memory', 'from memory', 'assumed', 'assumed']);
  expect(energyOf({ cells: 2, chemistry: 'lithium ion' }).wattHours).toBeCloseTo(2 * 2.6 * 3.6 * 0.9, 9);
});

describe('the phantom voltages of a bag recorder', () => {
  test('only what runs on cells is told of; a recorder with nothing on it too', () => {
    expect(runningTimes(bagRig('always-48')).map(({ device }) => device)).toEqual(['bag']);
    const [{ now, recommended }] = runningTimes({ ...bagRig('always-48'), lines: [] });
    expect(now).toMatchObject({ watts: 0, hours: 9.6 / 2 });
    expect(recommended).toMatchObject({ feed: 'P48' });
  });

  test('the feed gives its open voltage times the solved currents', () => {
    const [{ now, options }] = runningTimes(bagRig('always-48'));
    // Three microphones of 3 mA or so each: some 9 mA at 48 V.
    const [full] = options;
    expect(full.feed).toBe('P48');
    expect(full.watts).toBeCloseTo(now.watts, 12);
    expect(now.watts / 48).toBeGreaterThan(0.005);
    expect(now.hours).toBeCloseTo(9.6 / (2 + now.watts / 0.8), 9);
  });

  test('a voltage counts only if every line accepts it; who does not is named', () => {
    const [{ options }] = runningTimes(bagRig('always-48'));
    expect(options.map(({ feed, accepted }) => [feed, accepted])).toEqual([
      ['P48', true],
      ['P24', false],
      ['P12', false],
    ]);
    expect(options[1].groups[0].objecting.map(({ line: id }) => id)).toEqual(['large']);
    // The one switch stays where everybody is content.
    expect(options[1].settings).toEqual([{ group: 'switch-1', feed: 'P48' }]);
  });

  test('what moving the one line away would gain is told, whatever the school', () => {
    for (const school of ['always-48', '48-unless-stated', 'lowest-stated']) {
      const [{ gains }] = runningTimes(bagRig(school));
      expect(gains).toMatchObject([{ line: 'large', from: 'P48', to: 'P12' }]);
      expect(gains[0].hours).toBeGreaterThan(0.1);
    }
  });

  test('the plan moves nothing that is Clear to save cells, whatever the school', async () => {
    const at = async (school: string) => {
      const { proposal } = await planned(bagRig(school), []);
      const large = proposal.document.lines.find(({ id }) => id === 'large')!;
      return [
        'device' in large.inlet && large.inlet.device,
        proposal.document.devices[0].groups[0].feed,
        proposal.lines.map(({ reason }) => reason),
      ];
    };
    expect(await at('always-48')).toEqual(['bag', 'P48', []]);
    expect(await at('48-unless-stated')).toEqual(['bag', 'P48', []]);
    expect(await at('lowest-stated')).toEqual(['bag', 'P48', []]);
  });

  test('48 V unless stated: lower only when the cells have to last longer than they do', async () => {
    const long = { ...CELLS, hours: figure(4.5, 'h') };
    const [short] = runningTimes(bagRig('48-unless-stated', { ...CELLS, hours: figure(2, 'h') }));
    expect(short.recommended).toMatchObject({ feed: 'P48', why: expect.stringMatching(/are enough for 2 h/) });
    const only = bagRig('48-unless-stated', long);
    const two = { ...only, lines: only.lines.slice(0, 2) };
    const [needed] = runningTimes(two);
    expect(needed.recommended?.feed).not.toBe('P48');
    const { proposal } = await planned(two, []);
    expect(proposal.switches).toMatchObject([{ from: 'P48', to: 'P12' }]);
  });

  test('other schools: always 48 V, or the lowest that everybody accepts', () => {
    const two = (school: string) => {
      const rig = bagRig(school);
      return runningTimes({ ...rig, lines: rig.lines.slice(0, 2) })[0].recommended?.feed;
    };
    expect(two('always-48')).toBe('P48');
    expect(two('lowest-stated')).toBe('P12');
  });
});

describe('what is never recommended, and what a set does not reach', () => {
  /** Three microphones that draw 12 mA each: more than the 10 mA that a standard feed of 48 V gives (IEC 61938, from memory). */
  const hungry = (): RigDocument => {
    const rig = bagRig('always-48');
    const wants: Part = {
      kind: 'condenser-48',
      figures: {
        current: { value: 12, unit: 'mA', basis: 'maker' },
        needs: { value: 40, unit: 'V', basis: 'maker' },
        stops: { value: 30, unit: 'V', basis: 'maker' },
      },
    };
    return { ...rig, lines: rig.lines.map((each) => ({ ...each, source: wants })) };
  };

  test.each(['always-48', '48-unless-stated', 'lowest-stated'])(
    '%s: no voltage that a line does not accept',
    (school) => {
      const [{ recommended, options }] = runningTimes({ ...hungry(), schools: { batteryVoltage: school } });
      expect(options.every(({ accepted }) => !accepted)).toBe(true);
      expect(recommended?.feed).toBeUndefined();
      expect(recommended?.why).toMatch(/no voltage of this device is accepted by every line/);
      for (const rig of [bagRig(school), demoRig()])
        for (const { recommended: said, options: list } of runningTimes(rig))
          if (said?.feed) expect(list.find(({ feed }) => feed === said.feed)!.accepted).toBe(true);
    },
  );

  test('12 mA want the feed with smaller resistors: that one is recommended where the device has it', () => {
    const rig = hungry();
    const offers = rig.devices[0].groups[0].offers;
    const stronger: RigDocument = {
      ...rig,
      devices: rig.devices.map((device) =>
        device.id === 'bag'
          ? { ...device, groups: device.groups.map((group) => ({ ...group, offers: [...offers, 'SP48' as const] })) }
          : device,
      ),
    };
    for (const school of ['always-48', '48-unless-stated', 'lowest-stated']) {
      const [{ recommended, options }] = runningTimes({ ...stronger, schools: { batteryVoltage: school } });
      const accepted = options.filter((option) => option.accepted).map(({ feed }) => feed);
      expect(accepted.length === 0 ? undefined : 'SP48').toBe(recommended?.feed);
      expect(recommended?.feed === undefined || accepted.includes(recommended.feed)).toBe(true);
    }
  });

  test('where no voltage lasts, it says so, with the sets and when to change', () => {
    const rig = bagRig('48-unless-stated', { ...CELLS, hours: figure(12, 'h'), reserve: figure(0.5, 'h') });
    const [{ recommended, sets, options }] = runningTimes(rig);
    expect(Math.max(...options.map(({ hours: lasts }) => lasts))).toBeLessThan(12);
    expect(recommended?.why).toMatch(/no voltage reaches 12 h 30 min: \d sets, changed after/);
    expect(sets!.count).toBe(sets!.changes.length + 1);
    expect(sets!.changes.every((at, n) => at > (sets!.changes[n - 1] ?? 0) && at < 12)).toBe(true);
  });
});

describe('why a voltage is recommended', () => {
  interface Want {
    hours?: number;
    reserve?: number;
    offers?: SwitchGroup['offers'];
    /** Three of them: one accepts nothing less than 32 V. */
    lines?: number;
  }
  const said = (school: string, { hours: last, reserve, offers, lines = 2 }: Want) => {
    const rig = bagRig(school, {
      ...CELLS,
      ...(last && { hours: figure(last, 'h') }),
      ...(reserve && { reserve: figure(reserve, 'h') }),
    });
    const [bag, desk] = rig.devices;
    const groups = offers ? bag.groups.map((group) => ({ ...group, offers, feed: offers[0] })) : bag.groups;
    const [{ recommended, sets }] = runningTimes({
      ...rig,
      devices: [{ ...bag, groups }, desk],
      lines: rig.lines.slice(0, lines),
    });
    return [recommended?.feed, recommended?.why, sets?.count];
  };
  const ALWAYS = 'school “always 48 V”';
  const UNLESS = 'school “48 V, lower only if every source accepts it and battery life needs it”';
  const LOWEST = 'school “lowest that every source states”';

  // Two lines: 3 h 52 min at 48 V, 4 h 32 min at 12 V; with the third 3 h 32 min, at 48 V only.
  test.each<[school: string, want: Want, feed: string | undefined, why: string | undefined, sets?: number]>([
    ['always-48', {}, 'P48', ALWAYS],
    ['always-48', { hours: 2, reserve: 0.5 }, 'P48', ALWAYS],
    ['always-48', { hours: 4.5 }, 'P48', `${ALWAYS}: 2 sets, changed after 3 h 52 min`, 2],
    [
      'always-48',
      { hours: 4.5, lines: 3 },
      'P48',
      `${ALWAYS}; no voltage reaches 4 h 30 min: 2 sets, changed after 3 h 32 min`,
      2,
    ],
    ['always-48', { offers: ['P12', 'P24'] }, 'P24', `${ALWAYS}; this device has no 48 V`],
    [
      'always-48',
      { offers: ['P12', 'P24'], lines: 3 },
      undefined,
      'no voltage of this device is accepted by every line on it; at 24 V not by large',
    ],
    ['always-48', { offers: ['T12'] }, undefined, undefined],
    ['48-unless-stated', {}, 'P48', `${UNLESS}; no target battery life set`],
    ['48-unless-stated', { hours: 2, reserve: 0.5 }, 'P48', `${UNLESS}; 3 h 52 min are enough for 2 h 30 min`],
    ['48-unless-stated', { hours: 4.5 }, 'P12', `${UNLESS}; 3 h 52 min at 48 V are not enough for 4 h 30 min`],
    [
      '48-unless-stated',
      { hours: 4.5, lines: 3 },
      'P48',
      `${UNLESS}; 3 h 32 min at 48 V are not enough for 4 h 30 min, but not every line accepts less; no voltage reaches 4 h 30 min: 2 sets, changed after 3 h 32 min`,
      2,
    ],
    [
      '48-unless-stated',
      { hours: 30 },
      'P12',
      `${UNLESS}; 3 h 52 min at 48 V are not enough for 30 h 00 min; no voltage reaches 30 h 00 min: 7 sets, changed after 4 h 32 min, 9 h 03 min, 13 h 35 min, 18 h 07 min and so on, every 4 h 32 min`,
      7,
    ],
    ['lowest-stated', {}, 'P12', LOWEST],
    ['lowest-stated', { lines: 3 }, 'P48', `${LOWEST}; some line accepts nothing less`],
    [
      'lowest-stated',
      { hours: 12, reserve: 0.5 },
      'P12',
      `${LOWEST}; no voltage reaches 12 h 30 min: 3 sets, changed after 4 h 02 min, 8 h 03 min`,
      3,
    ],
  ])('%s, %o: %s', (...[school, want, feed, why, sets]) => expect(said(school, want)).toEqual([feed, why, sets]));

  test('a feed that is no phantom voltage counts into every choice', () => {
    const [bag, desk] = bagRig('always-48').devices;
    const second = deviceOf('bag', [
      { inlets: 2, offers: ['P12', 'P24', 'P48'], feed: 'P48' },
      { inlets: 1, offers: ['T12'], feed: 'T12' },
    ]);
    const rig = { ...bagRig('always-48'), devices: [{ ...second, batteries: bag.batteries }, desk] };
    const lines = [...rig.lines.slice(0, 2), line('t12', { kind: 'condenser-t12' }, '3')];
    const [[without], [withIt]] = [runningTimes({ ...rig, lines: lines.slice(0, 2) }), runningTimes({ ...rig, lines })];
    const more = withIt.now.watts - without.now.watts;
    expect(more).toBeGreaterThan(0.01);
    withIt.options.forEach(({ watts }, n) => expect(watts - without.options[n].watts).toBeCloseTo(more, 9));
  });
});

describe('capacity falls with load (typical data sheets, from memory)', () => {
  test.each([
    ['alkaline', 100, 2200, 1],
    ['alkaline', 500, 2200, 0.62],
    ['nickel metal hydride', 400, 2000, 1],
    ['nickel metal hydride', 2000, 2000, 0.9],
    ['lithium', 1000, 3000, 0.93],
    ['lithium ion', 2600, 2600, 0.97],
  ] as const)('%s at %d mA of %d mAh: %d', (chemistry, load, charge, part) =>
    expect(capacityAt(chemistry, load, charge)).toBeCloseTo(part, 9),
  );

  test('it never rises with load, and has no steps', () => {
    for (const chemistry of CHEMISTRIES)
      for (let load = 5; load < 4000; load *= 1.1) {
        const [a, b] = [capacityAt(chemistry, load, 2200), capacityAt(chemistry, load * 1.1, 2200)];
        expect(b).toBeLessThanOrEqual(a);
        expect(a - b).toBeLessThan(0.08);
      }
  });

  test('two hours at half the load are more than one at the whole, with alkaline cells', () => {
    const of = (watts: number) =>
      hoursOf(energyOf({ cells: 4, chemistry: 'alkaline', baseLoad: figure(watts, 'W') }), 0);
    expect(of(0.5)).toBeGreaterThan(2.2 * of(1));
  });
});

test('a power bank has a converter of its own, and shuts off where too little is drawn', () => {
  const bank = {
    cells: 1,
    chemistry: 'power bank',
    capacity: figure(10_000, 'mAh'),
    usable: figure(100, '%'),
    shutsOff: figure(1, 'W'),
  } as const;
  expect(energyOf({ ...bank, bankEfficiency: figure(80, '%') }).wattHours).toBeCloseTo(10 * 3.7 * 0.8, 9);
  // What it is taken to do is told beside what it has, and only of a bank.
  expect(energyOf(bank).rests).toHaveLength(energyOf(CELLS).rests.length + 2);
  const warned = (watts: number) =>
    runningTimes(bagRig('always-48', { ...bank, baseLoad: figure(watts, 'W') }))[0].warnings;
  expect(warned(0.01)[0]).toMatch(/power bank that shuts off below 1.00 W/);
  expect(warned(1)).toEqual([]);
  // What the feeds give flows through the converter; where a lower voltage can be set, the least that it may come to counts.
  const two = (watts: number) => {
    const rig = bagRig('always-48', { ...bank, baseLoad: figure(watts, 'W') });
    return runningTimes({ ...rig, lines: rig.lines.slice(0, 2) })[0];
  };
  const { now, options, energy } = two(1);
  const least = options.at(-1)!.watts;
  expect(least).toBeLessThan(0.5 * now.watts);
  expect(two(1 - least / energy.efficiency - 0.005).warnings).toHaveLength(1);
  expect(two(1 - least / energy.efficiency + 0.005).warnings).toEqual([]);
});

test('the demo bag recorder: 4 h or so, the large condenser objects to less than 48 V', () => {
  const [bag] = runningTimes(demoRig());
  expect(bag.now.hours).toBeGreaterThan(3);
  expect(bag.now.hours).toBeLessThan(5);
  const at24 = bag.options.find(({ feed }) => feed === 'P24')!;
  expect(at24.groups.flatMap(({ objecting }) => objecting.map(({ line: id }) => id))).toEqual(['large-condenser']);
});

describe('a day on cells', () => {
  test('cells are changed before the reserve is touched', () => {
    const day = dayOnCells(4, 9, 0.5);
    expect(day.changes).toEqual([3.5, 7]);
    expect(day.sets).toBe(3);
    expect(day.curve.at(1)).toEqual({ at: 3.5, left: 1 - 3.5 / 4 });
    expect(day.curve.every(({ left }) => left >= 0.5 / 4 - 1e-12)).toBe(true);
  });

  test('a set that lasts the day is not changed', () =>
    expect(dayOnCells(10, 8, 0.5)).toMatchObject({ changes: [], sets: 1 }));

  test('a reserve longer than the cells last does not go on for ever', () =>
    expect(dayOnCells(0.1, 48, 12).curve.length).toBeLessThan(200));
});

describe('cells of their own', () => {
  const rig = (battery: string, power: string) =>
    rigOf(
      [deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'off' }])],
      [
        line('self', { kind: 'self-powered-electret', choices: { connector: 'ts35', battery } }, '1', 'desk'),
        {
          ...line('boxed', { kind: 'condenser-48' }, '2', 'desk'),
          links: [cable(5), { kind: 'supply-box', choices: { power } }],
        },
      ],
    );

  test('parts that nobody has set anything of are none of it', () => {
    const plain = { ...line('plain', { kind: 'moving-coil' }, '1', 'desk'), links: [{ kind: 'pad' }] };
    expect(ownCells({ ...rig('off', 'mains'), lines: [plain] })).toEqual([]);
  });

  test('of two boxes on cells each draws what it passes on itself, whatever the inlet gives', () => {
    const two = rig('off', 'battery');
    const boxed = two.lines[1];
    const fed = {
      ...two,
      devices: two.devices.map((each) => ({
        ...each,
        groups: each.groups.map((group) => ({ ...group, feed: 'P48' as const })),
      })),
    };
    const behind = { ...boxed, links: [...boxed.links, boxed.links[1]] };
    const [one, ...others] = ownCells({ ...fed, lines: [two.lines[0], behind] }).map(({ milliamps }) => milliamps);
    const [alone] = ownCells(two).map(({ milliamps }) => milliamps);
    expect(Math.max(one, ...others)).toBeCloseTo(alone, 1);
    expect(Math.min(one, ...others)).toBeLessThan(0.5 * alone);
  });

  test('only what runs on its cells is told, shortest first', () => {
    expect(ownCells(rig('on', 'battery')).map(({ line: id }) => id)).toEqual(['boxed', 'self']);
    expect(ownCells(rig('off', 'mains'))).toEqual([]);
  });

  test('each is called by its own name, else by its kind', () => {
    const plain = rig('on', 'battery');
    const [, self] = plain.lines;
    const named = {
      ...plain,
      lines: [plain.lines[0], { ...self, links: [self.links[0], { ...self.links[1], name: 'lunch box' }] }],
    };
    const names = (of: RigDocument) => ownCells(of).map((each) => each.name);
    expect(names(plain)[0]).toBe('Supply box');
    expect(names(named)[0]).toBe('lunch box');
  });

  test('a supply box draws what it passes on, over its converter', () => {
    const [box] = ownCells(rig('off', 'battery'));
    const figures = { cellVolts: { value: 9, unit: 'V', basis: 'measured' } } as const;
    const half = rig('off', 'battery');
    const boxed = { ...half.lines[1], links: [cable(5), { ...half.lines[1].links[1], figures }] };
    const [low] = ownCells({ ...half, lines: [half.lines[0], boxed] });
    // Half the voltage of its cells: twice the current for what it passes on.
    expect((low.milliamps - 2) / (box.milliamps - 2)).toBeCloseTo(2, 1);
    // 500 mAh at 18 V; the feed gives some 3 mA at 48 V.
    expect(box.milliamps).toBeGreaterThan(2 + (0.9 * 3 * 48) / 18 / 0.75);
    expect(box.hours).toBeCloseTo((500 * 0.7) / box.milliamps, 9);
  });
});

test.each([
  [0.5, '30 min'],
  [3.999, '4 h 00 min'],
  [12.25, '12 h 15 min'],
])('%d hours read %s', (value, text) => expect(hours(value)).toBe(text));
