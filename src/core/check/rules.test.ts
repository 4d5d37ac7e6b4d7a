import { cable, codes, find, judged, line, number, on } from '../../../tests/lines/lines';
import type { Branch, Line, Part, PathLink } from '../gear';
import { DEFAULT_SCHOOLS, type Schools } from '../schools';

const jack = (length: number): Part => ({
  kind: 'cable',
  choices: { connector: 'ts635' },
  figures: { length: { value: length, unit: 'm', basis: 'assumed' } },
});
const adapter = (wiring: string): Part => ({ kind: 'plain-adapter', choices: { wiring } });
const keyboard = (coupling: string, connector = 'xlr3'): Part => ({
  kind: 'line-output',
  choices: { coupling, connector },
});
const camera: Part = { kind: 'mini-jack' };

/** A line with another one at its first link. */
const shared = (source: Part, links: PathLink[], branch: Partial<Branch>, feed = 'off'): Line => ({
  ...line(source, links, on(feed)),
  branches: [{ line: 'other', name: 'Other', at: 0, port: '', links: [], ...branch }],
});

interface Pair {
  severity: string;
  /** A line that has the finding, and one like it that has not. */
  has: Line;
  not: Line;
  schools?: Partial<Schools>;
}

const pairs: Record<string, Pair> = {
  'element-direct-current': {
    severity: 'harm',
    has: line('moving-coil', [cable()], on('T12')),
    not: line('moving-coil', [cable()], on('P48')),
  },
  'capsule-overvoltage': {
    severity: 'harm',
    has: line('plug-in-electret', [adapter('mini-to-xlr-open')], on('P48')),
    not: line('plug-in-electret', [], camera),
  },
  'supply-overvoltage': {
    severity: 'harm',
    has: line(
      {
        kind: 'condenser-t12',
        figures: {
          stands: { value: 9, unit: 'V', basis: 'maker' },
          needs: { value: 5, unit: 'V', basis: 'maker' },
          stops: { value: 4, unit: 'V', basis: 'maker' },
        },
      },
      [cable()],
      on('T12'),
    ),
    not: line('condenser-t12', [cable()], on('T12')),
  },
  'output-backfeed': {
    severity: 'harm',
    has: line(keyboard('direct'), [cable()], on('P48')),
    not: line(keyboard('transformer'), [cable()], on('P48')),
  },
  'ribbon-fed': {
    severity: 'harm',
    has: line('passive-ribbon', [cable()], on('P48')),
    not: line('passive-ribbon', [{ kind: 'isolating-transformer' }, cable()], on('P48')),
  },
  'exposed-patch': {
    severity: 'watch',
    has: line('condenser-48', [cable(), { kind: 'trs-patch-point' }], on('P48')),
    not: line('moving-coil', [cable(), { kind: 'trs-patch-point' }], on('off')),
  },
  'feed-overload': {
    severity: 'watch',
    has: line(
      { kind: 'condenser-9-52', figures: { current: { value: 12, unit: 'mA', basis: 'maker' } } },
      [cable()],
      on('P48'),
    ),
    not: line('moving-coil', [cable()], on('P48')),
  },
  'does-not-fit': {
    severity: 'silent',
    has: line('moving-coil', [cable()], { kind: 'balanced-jack' }),
    not: line('moving-coil', [cable(), adapter('xlr-to-trs')], { kind: 'balanced-jack' }),
  },
  'winding-saturated': {
    severity: 'watch',
    has: line(keyboard('capacitor', 'ts635'), [{ kind: 'passive-direct-box' }, cable()], on('T12')),
    not: line(keyboard('capacitor', 'ts635'), [{ kind: 'passive-direct-box' }, cable()], on('P48')),
  },
  'mono-cancelled': {
    severity: 'silent',
    has: line(keyboard('capacitor', 'trs35'), [adapter('mini-to-xlr-balanced')], { kind: 'xlr-line' }),
    not: line(keyboard('capacitor', 'trs35-balanced'), [adapter('mini-to-xlr-balanced')], { kind: 'xlr-line' }),
  },
  'link-clips': {
    severity: 'watch',
    has: line(
      { kind: 'moving-coil', figures: { loudness: { value: 140, unit: 'dB SPL', basis: 'assumed' } } },
      [{ kind: 'inline-booster' }, { kind: 'pad' }],
      on('P48'),
    ),
    not: line('moving-coil', [{ kind: 'inline-booster' }], on('P48')),
  },
  'passive-y': {
    severity: 'watch',
    has: shared({ kind: 'moving-coil' }, [{ kind: 'y-lead', id: 'y' }], { port: 'b', inlet: on('off'), device: 'b' }),
    not: shared({ kind: 'moving-coil' }, [{ kind: 'splitter', id: 'y' }], { port: 'b', inlet: on('off'), device: 'b' }),
  },
  'outputs-meet': {
    severity: 'watch',
    has: shared({ kind: 'moving-coil' }, [{ kind: 'y-lead', id: 'y', choices: { use: 'sum' } }], {
      port: 'b',
      source: { kind: 'moving-coil' },
    }),
    not: line('moving-coil', [cable()], on('off')),
  },
  'intercom-line': {
    severity: 'harm',
    has: line('moving-coil', [cable()], { kind: 'two-wire-intercom', choices: { feed: 'intercom' } }),
    not: line('moving-coil', [cable()], on('P48')),
  },
  'cable-fault': {
    severity: 'watch',
    has: line('moving-coil', [cable({ type: 'leaky', contacts: ['2', '1'], ohms: 20e3 })], on('off')),
    not: line('moving-coil', [cable()], on('off')),
  },
  'through-as-input': {
    severity: 'watch',
    has: shared(keyboard('capacitor', 'ts635'), [{ kind: 'passive-direct-box', id: 'box' }], {
      port: 'through',
      source: keyboard('capacitor', 'ts635'),
    }),
    not: line(keyboard('capacitor', 'ts635'), [{ kind: 'passive-direct-box' }], on('off')),
  },
  'shared-feeds': {
    severity: 'watch',
    has: shared({ kind: 'condenser-48' }, [{ kind: 'y-lead', id: 'y' }], { port: 'b', inlet: on('P48') }, 'P48'),
    not: shared({ kind: 'condenser-48' }, [{ kind: 'y-lead', id: 'y' }], { port: 'b', inlet: on('off') }, 'P48'),
  },
  unpowered: {
    severity: 'silent',
    has: line('active-ribbon', [cable()], on('off')),
    not: line('active-ribbon', [cable()], on('P48')),
  },
  underpowered: {
    severity: 'watch',
    has: line('active-ribbon', [cable()], on('P24')),
    not: line('condenser-9-52', [cable()], on('P24')),
  },
  'open-path': {
    severity: 'silent',
    has: line('moving-coil', [cable({ type: 'open', contact: '2' })], on('off')),
    not: line('moving-coil', [cable({ type: 'open', contact: '1' })], on('off')),
  },
  'shorted-path': {
    severity: 'silent',
    has: line('moving-coil', [cable({ type: 'shorted', contacts: ['2', '3'] })], on('off')),
    not: line('moving-coil', [cable({ type: 'leaky', contacts: ['2', '3'], ohms: 10e3 })], on('off')),
  },
  'wrong-contact': {
    severity: 'silent',
    has: line({ kind: 'plug-in-electret', choices: { connector: 'trrs35' } }, [], camera),
    not: line({ kind: 'plug-in-electret', choices: { connector: 'trrs35' } }, [], { kind: 'phone-jack' }),
  },
  'one-sided': {
    severity: 'watch',
    has: line('moving-coil', [cable(), adapter('xlr-to-mini-left')], camera),
    not: line('moving-coil', [cable(), adapter('xlr-to-mini-both')], camera),
  },
  reversed: {
    severity: 'watch',
    has: line('condenser-48', [cable({ type: 'swapped', contacts: ['2', '3'] })], on('P48')),
    not: line(
      'condenser-48',
      [{ kind: 'polarity-reverser' }, cable({ type: 'swapped', contacts: ['2', '3'] })],
      on('P48'),
    ),
  },
  loaded: {
    severity: 'watch',
    has: line('magnetic-pickup', [jack(2), adapter('ts-to-xlr')], on('off')),
    not: line('magnetic-pickup', [jack(2), { kind: 'active-direct-box' }], on('P48')),
  },
  'long-unbalanced': {
    severity: 'watch',
    has: line(keyboard('capacitor', 'ts635'), [jack(6)], { kind: 'balanced-jack' }),
    not: line(keyboard('capacitor', 'ts635'), [jack(2)], { kind: 'balanced-jack' }),
  },
  'unbalanced-entry': {
    severity: 'watch',
    has: line(keyboard('capacitor', 'ts635'), [jack(2), adapter('ts-to-xlr')], on('off')),
    not: line(keyboard('capacitor', 'ts635'), [jack(2), { kind: 'passive-direct-box' }], on('off')),
  },
  'leg-lost': {
    severity: 'watch',
    has: line('condenser-9-52', [cable({ type: 'open', contact: '2' })], on('P48')),
    not: line('condenser-9-52', [cable()], on('P48')),
  },
  'shield-open': {
    severity: 'watch',
    has: line('moving-coil', [cable({ type: 'open', contact: '1' })], on('off')),
    not: line('moving-coil', [{ kind: 'isolating-transformer', choices: { ground: 'lifted' } }, cable()], on('off')),
  },
  'doubly-powered': {
    severity: 'watch',
    has: line({ kind: 'battery-or-phantom-condenser', choices: { battery: 'on' } }, [cable()], on('P48')),
    not: line({ kind: 'battery-or-phantom-condenser', choices: { battery: 'on' } }, [cable()], on('off')),
  },
  'plain-adapter': {
    severity: 'watch',
    has: line('plug-in-electret', [adapter('mini-to-xlr-open')], on('off')),
    not: line('self-powered-electret', [adapter('mini-to-xlr-open')], on('off')),
  },
  'gain-short': {
    severity: 'watch',
    has: line(
      { kind: 'passive-ribbon', figures: { loudness: { value: 70, unit: 'dB SPL', basis: 'assumed' } } },
      [cable()],
      on('off'),
    ),
    not: line(
      { kind: 'passive-ribbon', figures: { loudness: { value: 100, unit: 'dB SPL', basis: 'assumed' } } },
      [cable()],
      on('off'),
    ),
  },
  'headroom-short': {
    severity: 'watch',
    has: line(keyboard('transformer'), [cable()], on('off')),
    not: line(keyboard('transformer'), [cable(), { kind: 'pad' }], on('off')),
  },
  'fact-unproven': {
    severity: 'watch',
    has: line(
      { kind: 'plug-in-electret', figures: { stands: { value: 15, unit: 'V', basis: 'assumed' } } },
      [adapter('mini-to-xlr-open')],
      on('P12'),
    ),
    not: line(keyboard('direct'), [cable()], on('off')),
  },
  'feed-not-needed': {
    severity: 'note',
    has: line(keyboard('transformer'), [cable(), { kind: 'pad' }], on('P48')),
    not: line(keyboard('transformer'), [cable(), { kind: 'pad' }], on('off')),
  },
};

describe.each(Object.entries(pairs))('%s', (code, { severity, has, not, schools }) => {
  test(`is found as ${severity}, with a number or a stated basis`, () => {
    const finding = find(judged(has, schools), code);
    expect(finding.severity).toBe(severity);
    expect(finding.numbers.length > 0 || finding.basis.length > 0).toBe(true);
    for (const { value } of finding.numbers) expect(Number.isFinite(value)).toBe(true);
    expect(finding.why).not.toMatch(/NaN|undefined|Infinity/);
  });
  test('is not found where there is no reason for it', () => expect(codes(judged(not, schools))).not.toContain(code));
});

test('every remedy that is offered mends its finding and leaves no worse verdict', () => {
  const order = ['Stop', 'Silent', 'Watch', 'Clear'];
  for (const { has, schools } of Object.values(pairs)) {
    const result = judged(has, schools);
    for (const { remedies } of result.findings)
      for (const { gives } of remedies)
        expect(order.indexOf(gives!)).toBeGreaterThanOrEqual(order.indexOf(result.verdict));
  }
});

test('schools: battery as reserve turns double power into a note, “never” objects to every plain adapter', () => {
  expect(
    find(judged(pairs['doubly-powered'].has, { batteryAndPhantom: 'battery-as-reserve' }), 'doubly-powered').severity,
  ).toBe('note');
  expect(codes(judged(pairs['plain-adapter'].not, { plainAdapters: 'never' }))).toContain('plain-adapter');
});

test('the peak target moves the gain that is needed by just as much', () => {
  const microphone = line('condenser-48', [cable()], on('P48'));
  const gain = (peakTarget: string) => judged(microphone, { peakTarget }).readings.level!.gainNeeded;
  expect(gain(DEFAULT_SCHOOLS.peakTarget) - gain('-18')).toBeCloseTo(6, 9);
  // 20 mV/Pa at 94 dB SPL (1.0024 Pa) is 20.05 mV, -31.74 dBu; less the loading by 2 kΩ.
  expect(judged(microphone).readings.level!.source).toBeCloseTo(-31.74, 2);
});

test('a TRS patch point tells the current while a plug is half way in', () => {
  const ribbon = line({ kind: 'passive-ribbon', choices: { tap: 'none' } }, [{ kind: 'trs-patch-point' }], on('P48'));
  // 48 V / (6.8 kΩ + 2 · 100 Ω)
  expect(number(find(judged(ribbon), 'exposed-patch'), 'half-way') * 1e3).toBeCloseTo(6.857, 2);
  expect(find(judged(ribbon), 'exposed-patch').severity).toBe('harm');
});

test('two outputs on one box: the current between them, and harm where they are directly coupled', () => {
  const output = (coupling: string, ohms: number): Part => ({
    ...keyboard(coupling, 'ts635'),
    figures: { outputResistance: { value: ohms, unit: 'Ω', basis: 'maker' } },
  });
  const piano = (coupling: string) =>
    shared(output(coupling, 150), [{ kind: 'passive-direct-box', id: 'box' }], {
      port: 'through',
      source: output(coupling, 600),
    });
  // +4 dBu is 1.228 V; both outputs at their peaks in opposite directions across 150 Ω + 600 Ω.
  expect(number(find(judged(piano('capacitor')), 'through-as-input'), 'Peak current') * 1e3).toBeCloseTo(
    (2 * Math.SQRT2 * 1228) / 750,
    1,
  );
  expect(find(judged(piano('direct')), 'through-as-input').severity).toBe('harm');
});

test('two feeds on one Y-lead: both give half, and the other goes on feeding through its own resistors', () => {
  const finding = find(judged(pairs['shared-feeds'].has), 'shared-feeds');
  // 3 mA from two feeds of 6.8 kΩ a leg; with one off, its 6.8 kΩ legs hang on a bleeder and draw a little more.
  expect(number(finding, 'from this inlet') * 1e3).toBeCloseTo(1.5, 3);
  expect(number(finding, 'with this inlet off')).toBeGreaterThan(33);
  expect(number(finding, 'with this inlet off')).toBeLessThan(37.8);
});

test('an isolated leg’s feed reaches nothing, and that is a note', () => {
  const leg = shared(
    { kind: 'condenser-48' },
    [{ kind: 'splitter', id: 's' }],
    { port: 'b', inlet: { ...on('P48'), name: 'stream 1' } },
    'P48',
  );
  const finding = find(judged(leg), 'shared-feeds');
  expect(finding.severity).toBe('note');
  expect(finding.why).toMatch(/That of stream 1 is blocked on the way/);
  expect(number(finding, 'with this inlet off')).toBeCloseTo(0, 2);
  expect(number(finding, 'with stream 1 off')).toBeCloseTo(37.8, 1);
});
