import * as gear from '../../../../tests/lines/gear';
import { checked, codes, desk, find } from '../../../../tests/lines/lines';
import { checkRigLine } from '../../rigcheck';
import { emptyRig, readDocument } from '../../rig';
import { applyToRig } from '../../rig/rigEdits';
import type { Basis, Line, Part, Unit } from '../../gear';

const { line, xlr, xlrIn, dynamic, output, open } = gear;
const stated = (part: Part, figure: string, value: number, unit: Unit, basis: Basis): Part => ({
  ...part,
  figures: { ...part.figures, [figure]: { value, unit, basis } },
});

describe('a limit that nobody has confirmed', () => {
  /** A coil with 10 kΩ of leakage on one leg: some 1.8 mA flow through it. */
  const leaking = (limit: number, basis: Basis) =>
    checked(
      line(stated(dynamic, 'directCurrent', limit, 'mA', basis), xlr(5, gear.leak('1', '2', 10e3)), xlrIn('P48')),
    );
  const told = (limit: number, basis: Basis) => {
    const { findings } = leaking(limit, basis);
    return findings.flatMap(({ code, consequences = [] }) => [code, ...consequences.map((each) => each.code)]);
  };

  test('decides where the reading lies within a factor of two below it', () => {
    expect(told(3, 'assumed')).toContain('fact-unproven');
    expect(told(10, 'assumed')).not.toContain('fact-unproven');
  });

  test('above it there is harm instead; a maker’s figure leaves nothing to ask', () => {
    expect(told(1, 'assumed')).toContain('element-direct-current');
    expect(told(1, 'assumed')).not.toContain('fact-unproven');
    expect(told(3, 'maker')).not.toContain('fact-unproven');
  });

  test('what to record is offered, and recording it settles the question', () => {
    const asked = line(
      stated(gear.lavalier(), 'stands', 15, 'V', 'assumed'),
      gear.adapter('mini-to-xlr-open'),
      xlrIn('P12'),
    );
    const found = find(checked(asked), 'fact-unproven');
    expect(found.what).toBe('This turns on a limit nobody has confirmed: maximum voltage at the capsule');
    expect(found.why).toMatch(/^1[12](\.\d)? V here, assumed limit 15 V\./);
    expect(found.answers).toEqual([
      {
        label: 'Confirm this figure: 15 V',
        gives: 'Watch',
        edits: [
          {
            do: 'set figure',
            part: 'source',
            figure: 'stands',
            to: { value: 15, unit: 'V', basis: 'maker' },
          },
        ],
      },
    ]);
  });

  test('plug-in power through a dynamic is nobody’s question', () => {
    const asked = line(
      stated(dynamic, 'directCurrent', 1, 'mA', 'assumed'),
      gear.adapter('xlr-to-mini-both'),
      gear.camera(),
    );
    expect(codes(checked(asked))).not.toContain('fact-unproven');
  });
});

describe('how a ground stands', () => {
  /** A directly coupled output over a cable whose shield is open: with both on mains earth 48 V drives into it. */
  const lifted = (source: string, device: Line['ground']): Line => ({
    ...line(output('xlr3', 'direct', -20, source), xlr(5, open('1')), xlrIn('P48')),
    device: 'desk',
    ground: device,
  });
  const asks = (asked: Line) => {
    const { findings } = checked(asked);
    return findings.some(
      ({ code, consequences }) =>
        code === 'fact-unproven' || consequences?.some((each) => each.code === 'fact-unproven'),
    );
  };

  test.each([
    ['unknown', 'unknown', true],
    ['earthed', 'unknown', true],
    ['unknown', 'earthed', true],
    ['floating', 'unknown', false],
    ['unknown', 'floating', false],
    ['floating', 'earthed', false],
  ] as const)('source %s, device %s: asked %s', (source, device, expected) =>
    expect(asks(lifted(source, device))).toBe(expected),
  );

  test('on mains earth both, it is harm', () => expect(checked(lifted('earthed', 'earthed')).verdict).toBe('Stop'));

  test('a whole cable leaves nothing to ask', () => {
    const whole = { ...lifted('earthed', 'unknown'), links: [xlr(5)] };
    expect(asks(whole)).toBe(false);
  });

  const rig = (ground?: 'earthed' | 'floating') =>
    readDocument({
      ...emptyRig('Hold'),
      devices: [desk(1, 'P48', ground && { ground })],
      lines: [
        {
          id: 'laptop',
          name: 'Laptop',
          source: output('xlr3', 'direct', -20, 'earthed'),
          links: [{ ...gear.isolator, choices: { ground: 'lifted' } }, { ...xlr(5) }],
          inlet: { device: 'desk', inlet: '1' },
        },
      ],
    });

  test('the answer is one press: it stands at the device then, and every line of it knows', () => {
    const answered = applyToRig(rig(), 'laptop', [{ do: 'choose', part: 'inlet', choice: 'ground', value: 'earthed' }]);
    expect(answered.devices[0].ground).toBe('earthed');
    expect(answered.devices[0].inlets[0].choices?.ground).toBeUndefined();
    expect(readDocument(JSON.parse(JSON.stringify(answered)))).toEqual(answered);
    expect(checkRigLine(answered, 'laptop')!.verdict).toBe(checkRigLine(rig('earthed'), 'laptop')!.verdict);
  });

  test('both questions lead to one finding under the open shield, with the answers of both there', () => {
    const head = find(checked(lifted('unknown', 'unknown')), 'shield-open');
    expect(head.consequences!.filter(({ code }) => code === 'fact-unproven')).toHaveLength(1);
    expect(head.answers!.map(({ label, gives }) => [label, gives])).toEqual([
      ['Line output: floating: batteries or a two-pin supply', 'Watch'],
      ['Line output: on mains earth', 'Watch'],
      ['Inlet’s device: floating: batteries or a two-pin supply', 'Watch'],
      ['Inlet’s device: on mains earth', 'Watch'],
    ]);
  });

  test('one answer known, the other one decides: Stop beside it', () => {
    const head = find(checked(lifted('earthed', 'unknown')), 'shield-open');
    expect(head.answers!.map(({ label, gives }) => [label, gives])).toEqual([
      ['Inlet’s device: floating: batteries or a two-pin supply', 'Watch'],
      ['Inlet’s device: on mains earth', 'Stop'],
    ]);
  });
});
