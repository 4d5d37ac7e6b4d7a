import { caseOf, freeInlet as free } from '../../../tests/lines/cases';
import type { Line, Part } from '../gear';
import type { FreeInlet } from '../gear/edits';
import { additions } from './additions';
import type { Case, Spare } from './case';
import {
  activeBox,
  adapter,
  booster,
  camera,
  comboIn,
  condenser,
  dynamic,
  guitar,
  isolator,
  lavalier,
  lineJack,
  lineXlr,
  mini,
  output,
  partyLine,
  passiveBox,
  piezo,
  plugOn,
  reverser,
  ribbon,
  selfPowered,
  stereoBox,
  t12,
  trs,
  ts,
  xlr,
  xlrIn,
  yLead,
} from './casebook/parts';
import { line } from './casebook/situation';

/** What an engineer would have in hand for a line (common practice): whether it mends anything is for the check to say. */
const offered = (asked: Line, around: Partial<Case> = {}): string[] =>
  additions(caseOf(asked, around)).map(({ label, note }) => (note ? `${label} (${note})` : label));
const editsOf = (asked: Line, label: string, around: Partial<Case> = {}) =>
  additions(caseOf(asked, around)).find((remedy) => remedy.label === label)?.edits;

const ISOLATOR = 'Add an isolating transformer';
const REVERSER = 'Add a polarity-reverse adapter (at the inlet)';

describe('in an XLR line', () => {
  test('a quiet microphone may have a booster, and what that lives on', () => {
    const straight = [`${ISOLATOR} (straight after the source)`, REVERSER];
    const boosted = [...straight, 'Add an inline booster (straight after the source, 48 V on)'];
    expect(offered(line(dynamic, xlr(10), xlrIn('off')))).toEqual(boosted);
    expect(offered(line(ribbon(), xlr(10), xlrIn('off')))).toEqual(boosted);
    // It is on already, or there is none: nothing is said of turning it on.
    for (const fed of [xlrIn('P48'), lineXlr])
      expect(offered(line(dynamic, xlr(10), fed))).toContain('Add an inline booster (straight after the source)');
    expect(offered(line(condenser, xlr(10), xlrIn('P48')))).toEqual(straight);
  });

  test('the booster stands at the microphone, and 48 V is turned on for it', () => {
    expect(editsOf(line(dynamic, xlr(10), xlrIn('off')), 'Add an inline booster')).toEqual([
      { do: 'insert', at: 0, part: { kind: 'inline-booster' } },
      { do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' },
    ]);
  });

  test('what is there is not offered again', () => {
    expect(offered(line(dynamic, booster, isolator, xlr(10), reverser, xlrIn('P48')))).toEqual([]);
  });

  test('behind an adapter it begins where the line becomes XLR', () => {
    const asked = line(selfPowered(), adapter('mini-to-xlr-open'), xlr(2), xlrIn());
    expect(offered(asked)).toEqual(expect.arrayContaining([`${ISOLATOR} (where the line becomes XLR)`, REVERSER]));
    expect(editsOf(asked, ISOLATOR)).toEqual([{ do: 'insert', at: 1, part: { kind: 'isolating-transformer' } }]);
    expect(editsOf(asked, 'Add a polarity-reverse adapter')).toEqual([
      { do: 'insert', at: 2, part: { kind: 'polarity-reverser' } },
    ]);
  });

  test('nothing of it on a line that is nowhere XLR', () => {
    expect(offered(line(guitar, ts(3), lineJack))).toEqual([]);
  });
});

describe('a source without its power', () => {
  const supplies = (asked: Line) => offered(asked).filter((label) => label.includes('supply'));
  test('a supply of its own sort, and none where it runs', () => {
    expect(supplies(line(condenser, xlr(10), xlrIn('off')))).toEqual(['Add a supply box (48 V of its own)']);
    expect(supplies(line(condenser, xlr(10), xlrIn('P48')))).toEqual([]);
    expect(supplies(line(t12(), xlr(10), xlrIn('P48')))).toEqual([
      'Add a T12 supply box (straight after the microphone)',
    ]);
    expect(supplies(line(dynamic, xlr(10), xlrIn('off')))).toEqual([]);
  });
});

describe('too loud for what it ends in', () => {
  const pads = (dbu: number) =>
    offered(line(output('trs635', 'direct', dbu), trs(3), adapter('trs-to-xlr'), xlrIn('off'))).filter((label) =>
      label.startsWith('Add a pad'),
    );
  test('a pad as large as is needed, in tens, never more than 60 dB', () => {
    const needed = [-6, 4, 14, 24, 44, 64].map((dbu) =>
      Number(/\((\d+) dB, at the inlet\)/.exec(pads(dbu)[0] ?? '')?.[1]),
    );
    expect(needed).toEqual([10, 20, 30, 40, 60, 60]);
    expect(pads(-60)).toEqual([]);
  });
  test('into 3.5 mm an attenuating lead, once', () => {
    const lead = 'Add an attenuating lead (at the inlet)';
    expect(offered(line(output('trs35', 'direct', 10), mini(1), camera('off')))).toEqual([lead]);
    const has: Part = { kind: 'attenuating-lead', choices: { ends: 'mini' } };
    expect(offered(line(output('trs35', 'direct', 30), has, camera('off')))).not.toContain(lead);
    expect(offered(line(output('trs35', 'direct', -60), mini(1), camera('off')))).toEqual([]);
  });
});

describe('a direct box at the source, into a microphone inlet that is free', () => {
  const into = (asked: Line, ...inlets: FreeInlet[]) =>
    offered(asked, { free: inlets }).filter((label) => label.includes('at the source'));
  const jack = line(output('ts635'), ts(3), lineJack);
  test('passive for what has power of its own, active for a pickup', () => {
    const place = '(at the source, microphone cable from there on, into inlet 7)';
    expect(into(jack, free('7', xlrIn('P48')))).toEqual([`Add a passive direct box ${place}`]);
    for (const pickup of [guitar, piezo])
      expect(into(line(pickup, ts(3), lineJack), free('7', xlrIn()))).toEqual([`Add an active direct box ${place}`]);
  });
  const microphoneCable = (metres: number): Part => ({
    kind: 'cable',
    choices: { connector: 'xlr3' },
    figures: { length: { value: metres, unit: 'm', basis: 'measured' } },
  });
  test('every lead after it becomes microphone cable', () => {
    expect(
      editsOf(line(output('ts635'), ts(3), ts(5), lineJack), 'Add a passive direct box', {
        free: [free('7', xlrIn())],
      }),
    ).toEqual([
      { do: 'insert', at: 0, part: { kind: 'passive-direct-box' } },
      { do: 'replace', part: 1, with: microphoneCable(3) },
      { do: 'replace', part: 2, with: microphoneCable(5) },
      { do: 'move', ...free('7', xlrIn()) },
    ]);
  });
  test('no line input, no intercom, no transmitter is taken for one, and the next that is one is found', () => {
    const others = [lineXlr, xlrIn('off', { input: 'line' }), partyLine, plugOn(), lineJack].map((inlet, n) =>
      free(`${n}`, inlet),
    );
    expect(into(jack, ...others)).toEqual([]);
    expect(into(jack, ...others, free('9', xlrIn()))).toEqual([expect.stringContaining('into inlet 9')]);
    expect(into(jack, ...others, free('combo', comboIn()))).toEqual([expect.stringContaining('into inlet combo')]);
  });
  test('not for a microphone, not behind a box, not from XLR', () => {
    const place = free('7', xlrIn());
    expect(into(line(dynamic, xlr(3), lineJack), place)).toEqual([]);
    expect(into(line(output('ts635'), ts(3), passiveBox(), xlr(2), xlrIn()), place)).toEqual([]);
    expect(into(line(output('xlr3'), xlr(2), lineXlr), place)).toEqual([]);
  });
});

describe('in place of what is there', () => {
  const boxes = (asked: Line) => offered(asked).filter((label) => label.includes('direct box'));
  test('of a passive box an active one, on 48 V or on its battery; of a bare adapter any of them', () => {
    const passive = line(output('ts635'), ts(3), passiveBox(), xlr(5), xlrIn('off'));
    expect(boxes(passive)).toEqual([
      'Use an active direct box (in place of Passive direct box, 48 V on)',
      'Use an active direct box on battery (in place of Passive direct box)',
    ]);
    expect(boxes(line(output('ts635'), ts(3), adapter('ts-to-xlr'), xlrIn('P48')))).toEqual([
      'Use a passive direct box (in place of Plain adapter)',
      'Use an active direct box (in place of Plain adapter)',
      'Use an active direct box on battery (in place of Plain adapter)',
    ]);
    expect(editsOf(passive, 'Use an active direct box')).toEqual([
      { do: 'replace', part: 1, with: { kind: 'active-direct-box', choices: { battery: 'off' } } },
      { do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' },
    ]);
    expect(boxes(line(output('ts635'), ts(3), activeBox(), xlr(5), xlrIn('P48')))).toEqual([]);
  });

  const converters = (asked: Line) => offered(asked).filter((label) => label.includes('plug-in-power'));
  test('a phantom to plug-in-power adapter for what lives on plug-in power alone', () => {
    const cable = [adapter('mini-to-xlr-grounded'), xlr(2)];
    expect(converters(line(lavalier(), ...cable, xlrIn('P48')))).toEqual([
      'Use a phantom to plug-in-power adapter (in place of Plain adapter)',
    ]);
    expect(converters(line(lavalier(), ...cable, xlrIn('off')))).toEqual([
      'Use a phantom to plug-in-power adapter (in place of Plain adapter, 48 V on)',
    ]);
    expect(converters(line(selfPowered(), ...cable, xlrIn('P48')))).toEqual([]);
    expect(converters(line(output('trs35'), ...cable, xlrIn('P48')))).toEqual([]);
  });

  test('an adapter of each other wiring between the same two, told apart by contact', () => {
    const wirings = (wiring: string) =>
      offered(line(selfPowered(), adapter(wiring), xlr(2), xlrIn())).filter((label) =>
        label.startsWith('Use a 3.5 mm to XLR'),
      );
    expect(wirings('mini-to-xlr-open')).toEqual([
      'Use a 3.5 mm to XLR adapter (tip to 2, sleeve to 1 and 3, in place of Plain adapter)',
      'Use a 3.5 mm to XLR adapter (tip to 2, ring to 3, sleeve to 1, in place of Plain adapter)',
      'Use a 3.5 mm to XLR adapter (tip to 2 and 3, sleeve to 1, in place of Plain adapter)',
    ]);
    expect(wirings('mini-to-xlr-both')).toHaveLength(3);
    expect(wirings('mini-to-xlr-both').join()).not.toContain('tip to 2 and 3');
  });

  test('left and right of what plays are kept apart by a lead or by a box', () => {
    const laptop = (source: Part) => line(source, adapter('mini-to-xlr-balanced'), xlr(3), xlrIn());
    const apart = 'left here, right on a second inlet';
    expect(offered(laptop(output('trs35', 'direct', -20)))).toEqual(
      expect.arrayContaining([
        `Use a stereo direct box, one channel (${apart})`,
        `Use a dual-mono lead (3.5 mm to two XLR) (${apart})`,
      ]),
    );
    expect(editsOf(laptop(output('trs35')), 'Use a dual-mono lead (3.5 mm to two XLR)')).toEqual([
      { do: 'replace', part: 0, with: { kind: 'stereo-split', choices: { connector: 'xlr3' } } },
    ]);
    expect(editsOf(laptop(output('trs35')), 'Use a stereo direct box, one channel')).toEqual([
      { do: 'replace', part: 0, with: { kind: 'stereo-split', choices: { connector: 'ts635' } } },
      { do: 'insert', at: 1, part: { kind: 'stereo-direct-box' } },
    ]);
    expect(offered(laptop(lavalier())).join()).not.toContain(apart);
  });
});

describe('between what does not fit', () => {
  const joining = (asked: Line) =>
    offered(asked)
      .filter((label) => /^Add .*(adapter|box)/.test(label))
      .filter((label) => !/polarity|supply/.test(label));
  test('XLR into a jack, and into 3.5 mm by contact, or over a camera box', () => {
    expect(joining(line(dynamic, xlr(3), lineJack))).toEqual(['Add an XLR to 6.35 mm TRS adapter']);
    expect(joining(line(dynamic, xlr(3), camera()))).toEqual([
      'Add an XLR to 3.5 mm adapter (2 to tip and ring, 1 and 3 to sleeve)',
      'Add an XLR to 3.5 mm adapter (2 to tip, 3 to ring, 1 to sleeve)',
      'Add a camera adapter box',
    ]);
  });
  test('nothing where everything fits', () => {
    expect(joining(line(dynamic, xlr(3), xlrIn()))).toEqual([]);
    expect(joining(line(dynamic, xlr(3), comboIn()))).toEqual([]);
  });
});

describe('lines that meet', () => {
  const shared = (at: number, more: object): Line => ({
    ...line(dynamic, yLead(), xlr(5), xlrIn()),
    branches: [{ at, links: [xlr(5)], inlet: xlrIn('P48'), line: 'b', ...more }] as Line['branches'],
  });
  test('a splitter in place of a Y lead that leads to another inlet', () => {
    const split = (asked: Line) => offered(asked).filter((label) => label.includes('splitter'));
    expect(split(shared(0, {}))).toEqual([expect.stringMatching(/splitter.*in place of Y-lead/)]);
    expect(split(line(dynamic, yLead(), xlr(5), xlrIn()))).toEqual([]);
  });
  test('the second output of a stereo box, on an inlet that takes microphones', () => {
    const second: Line = {
      ...line(output('ts635'), ts(2), { ...stereoBox, entry: 'through' } as Part, xlr(5), xlrIn()),
      id: 'keys right',
    };
    const at = (...inlets: FreeInlet[]) =>
      additions(caseOf(second, { free: inlets })).filter(({ label }) => label === 'Use a stereo direct box');
    expect(at(free('1', lineXlr), free('2', partyLine), free('3', plugOn()), free('4', lineJack))).toEqual([]);
    expect(at(free('1', lineXlr), free('8', xlrIn()))).toEqual([
      {
        by: 'add',
        label: 'Use a stereo direct box',
        note: 'the second output on inlet 8',
        edits: [{ do: 'separate', at: 1, line: 'keys right', ...free('8', xlrIn()) }],
      },
    ]);
  });
});

describe('from the kit', () => {
  const spare = (part: Part, name: string, count = 1): Spare => ({ part: { ...part, name }, name, count });
  const asked = line(dynamic, xlr(10), xlrIn('P48'));
  const boosters = (...kit: Spare[]) => additions(caseOf(asked, { kit })).filter(({ label }) => /booster/i.test(label));
  test('by its own name where it lies there, as something to get where it does not', () => {
    expect(boosters(spare(booster, 'grey booster'))).toEqual([
      {
        by: 'add',
        label: 'Add grey booster',
        note: 'straight after the source, from your kit',
        owned: true,
        edits: [{ do: 'insert', at: 0, part: { ...booster, name: 'grey booster', choices: {} } }],
      },
    ]);
    const missing = expect.objectContaining({
      label: 'Add an inline booster',
      note: 'straight after the source, not in your kit',
      owned: false,
    });
    expect(boosters()).toEqual([missing]);
    expect(boosters(spare(booster, 'in use', 0))).toEqual([missing]);
    expect(boosters(spare({ ...booster, faults: [{ type: 'open', contact: '2' }] }, 'dead'))).toEqual([missing]);
  });
});
