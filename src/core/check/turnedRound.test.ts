import * as gear from '../../../tests/lines/gear';
import { caseOf } from '../../../tests/lines/cases';
import { checked, codes, find, judged } from '../../../tests/lines/lines';
import type { Line, Part } from '../gear';
import { additions } from './additions';
import { candidates } from './remedies';
import { rewirings } from './rewirings';
import { loaded } from './rules/loaded';
import { longUnbalanced } from './rules/longUnbalanced';
import { oneSided } from './rules/oneSided';
import { ribbonFed } from './rules/ribbonFed';
import { openPath } from './rules/signalPath';
import { likeness } from './shared';

/** What the check says where one thing of a line is the other way: common practice, and arithmetic written beside it. */
const { line, shared, xlr, xlrIn, ts, mini, dynamic, condenser, condenserOf, guitar, splitter, yLead } = gear;

const away = (source: Part, joint: Part, own: string, other: string): Line => ({
  ...shared(line(source, joint, xlr(5), xlrIn(own)), 0, { name: 'Stream', inlet: xlrIn(other), device: 'stream' }),
  device: 'desk',
});

describe('two feeds on one microphone: what is said of turning either off', () => {
  test('on a Y-lead what is left is told, however little goes', () => {
    // 0.4 mA over two pairs of 6.8 kΩ, then over one: 48 V less 0.7 V, then less 1.4 V and what the unfed inlet takes.
    const { why } = find(checked(away(condenserOf(0.4), yLead('split'), 'P48', 'P48')), 'shared-feeds');
    expect(why).toMatch(/Turn off this inlet: 4[56](\.\d)? V left at the source\./);
    expect(why).toMatch(/Turn off Stream: 4[56](\.\d)? V left at the source\./);
    expect(why).not.toContain('no change');
  });
  test('behind a transformer only one of them matters', () => {
    const { why } = find(checked(away(condenser, splitter(), 'P48', 'P48')), 'shared-feeds');
    expect(why).toMatch(/Turn off this inlet and the source loses its feed\./);
    expect(why).toMatch(/Turn off Stream: no change\./);
  });
});

test('a load is not accused where a plug does not go in', () => {
  const shorted = line(guitar, ts(3, gear.short('T', 'S')), xlrIn());
  expect(loaded.judge(caseOf(shorted))).toEqual([]);
  expect(checked(shorted).verdict).not.toBe('Clear');
});

describe('a capsule the wrong way round', () => {
  const rated = (reverse: number): Line => {
    const source = gear.lavalier('ts35');
    const figures: Part['figures'] = {
      ...source.figures,
      stands: { value: 20, unit: 'V', basis: 'maker' },
      reverse: { value: reverse, unit: 'V', basis: 'maker' },
    };
    const crossed = xlr(5, gear.swap('1', '2'));
    return line({ ...source, figures }, gear.adapter('mini-to-xlr-grounded'), crossed, xlrIn('P12'));
  };
  const told = (reverse: number) => checked(rated(reverse)).findings.find(({ code }) => code === 'capsule-overvoltage');

  test('says of which direction the rating is that it breaks', () => {
    const found = told(2)!;
    expect(found.severity).toBe('harm');
    expect(found.why).toContain('in that direction');
  });
  test('and breaks none that is high enough', () => expect(told(20)).toBeUndefined());

  test('rests on what is assumed of that direction only where it is not too much either way', () => {
    const guessed = (stands: number) => {
      const asked = rated(2);
      asked.source.figures!.stands = { value: stands, unit: 'V', basis: 'maker' };
      asked.source.figures!.reverse = { value: 2, unit: 'V', basis: 'assumed' };
      return find(checked(asked), 'capsule-overvoltage').assumed;
    };
    expect(guessed(20)).toBeDefined();
    expect(guessed(4)).toBeUndefined();
  });
});

describe('whose ground is asked for', () => {
  const output = gear.output('xlr3', 'direct', -20, 'earthed');
  const behind = (...faults: Parameters<typeof xlr>[1][]): Line => line(output, xlr(5, ...faults), xlrIn('P48'));
  test('only where a shield is open does it decide anything', () => {
    const open = checked({ ...behind(gear.open('1')), ground: 'unknown' });
    expect(open.findings.some(({ answers }) => answers?.length)).toBe(true);
    const sound = checked({ ...behind(), ground: 'unknown' });
    expect(sound.findings.every(({ answers }) => !answers?.length)).toBe(true);
  });
  test('of two that nobody knows both may be on mains earth: not told of one that is known to float', () => {
    const folded = (ground: string) => {
      const source = gear.output('xlr3', 'direct', -20, ground);
      const asked = { ...line(source, xlr(5, gear.open('1')), xlrIn('P48')), ground: 'unknown' as const };
      return find(checked(asked), 'shield-open').consequences?.map(({ code }) => code) ?? [];
    };
    expect(folded('unknown')).toContain('fact-unproven');
    expect(folded('floating')).not.toContain('fact-unproven');
  });
});

describe('a good cable from the kit', () => {
  const bad: Part = { kind: 'cable', faults: [{ type: 'open', contact: '3' }] };
  const label = (part: Part) =>
    candidates(caseOf(line(dynamic, bad, xlrIn()), { kit: [{ part, name: 'blue cable', count: 1 }] })).find(
      ({ by }) => by === 'cable',
    )!.label;
  test('a cable of which nobody said the kind is an XLR cable, there and here', () => {
    expect(label({ kind: 'cable' })).toBe('Replace Cable with blue cable');
    expect(label(xlr(5))).toBe('Replace Cable with blue cable');
    expect(label(mini(5))).toBe('Replace Cable with a good one');
  });
});

describe('lines that are alike', () => {
  const on = (reaches: string[]): Line => ({
    ...line(dynamic, xlr(5), xlrIn('P48')),
    switch: { name: 'bank A', offers: ['P48'], reaches },
  });
  test('are so whoever else is on their switch, but not where nobody is', () => {
    expect(likeness(on(['one']))).toBe(likeness(on(['another', 'third'])));
    expect(likeness(on(['one']))).not.toBe(likeness(on([])));
  });
  test('and not where one has another cable', () =>
    expect(likeness(on(['one']))).not.toBe(likeness({ ...on(['one']), links: [xlr(6)] })));
});

test('what is found on a line is told by the same codes whether or not a part says its usual choices', () => {
  const bare = line({ kind: 'moving-coil' }, { kind: 'cable' }, { kind: 'three-pin' });
  const said = line(dynamic, xlr(5), xlrIn('off'));
  expect(codes(judged(bare))).toEqual(codes(judged(said)));
});

describe('what to look at is told where nothing else is to be done', () => {
  test('and not beside what helps', () => {
    const helped = find(
      checked(line(gear.lavalier('ts35'), gear.adapter('mini-to-xlr-grounded'), xlr(5), xlrIn('P48'))),
      'capsule-overvoltage',
    );
    expect(helped.remedies.length).toBeGreaterThan(0);
    expect(helped.look).toBeUndefined();
  });
  test('but where nothing does', () => {
    const left = find(checked(line(guitar, ts(9), gear.lineJack)), 'long-unbalanced');
    expect(left.remedies).toEqual([]);
    expect(left.look).toMatch(/direct box/);
  });
});

test('a balanced output of very low impedance is balanced for all that', () => {
  const low: Part = {
    ...gear.output('xlr3', 'capacitor'),
    figures: { ...gear.output('xlr3').figures, outputResistance: { value: 10, unit: 'Ω', basis: 'maker' } },
  };
  expect(longUnbalanced.judge(caseOf(line(low, xlr(30), xlrIn())))).toEqual([]);
});

test('a microphone is offered no direct box, whatever it is plugged over', () => {
  const over = (source: Part) =>
    additions(caseOf(line(source, gear.adapter('xlr-to-ts'), ts(3), gear.adapter('ts-to-xlr'), xlrIn()))).filter(
      ({ label }) => label.includes('direct box'),
    );
  expect(over(dynamic)).toEqual([]);
  expect(over(gear.output('xlr3')).length).toBeGreaterThan(0);
});

test('a way is not called open where a plug does not go in: that is said by itself', () => {
  expect(openPath.judge(caseOf(line(guitar, ts(3), xlrIn())))).toEqual([]);
  expect(openPath.judge(caseOf(line(dynamic, xlr(3, gear.open('2'), gear.open('3')), xlrIn())))).toHaveLength(1);
});

test('an adapter of which nobody said the wiring puts no box at the player’s end', () => {
  const asked = line(guitar, ts(6), { kind: 'plain-adapter' }, xlrIn());
  expect(rewirings(caseOf(asked)).filter(({ by }) => by === 'add')).toEqual([]);
});

test('a tap that is known to be on pin 1: what flows through the winding is told', () => {
  const [told] = ribbonFed.judge(caseOf(line(gear.ribbon('grounded'), xlr(5), xlrIn('P48'))));
  expect(told.why).toMatch(/\d m?A /);
});

describe('a mono plug in a stereo inlet', () => {
  const one = line(gear.selfPowered('ts35'), mini(2), gear.camera('off'));
  const told = (asked: Line) => oneSided.judge(caseOf(asked)).length;
  test('is told of one side, also where it is heard elsewhere besides', () => {
    expect(told(one)).toBe(1);
    expect(told(shared(one, 0, { inlet: gear.camera('off') }))).toBe(1);
  });
  test('but not where the other side is another source’s', () =>
    expect(told(shared(one, 0, { source: gear.selfPowered('ts35') }))).toBe(0));
});
