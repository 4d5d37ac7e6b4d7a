import * as gear from '../../../../tests/lines/gear';
import { checked, codes, find, number } from '../../../../tests/lines/lines';
import type { Line, Part, PathLink } from '../../gear';

const { line, xlr, trs, ts, mini, xlrIn, lineJack, camera, adapter, dynamic, lavalier, open, short, swap } = gear;
const verdict = (asked: Line) => checked(asked).verdict;
const cabled = (cable: Part, feed = 'off') => line(dynamic, cable, xlrIn(feed));

describe('a conductor that the signal needs', () => {
  test.each([
    ['pin 2', cabled(xlr(10, open('2'))), 'pin 2 open'],
    ['pin 3', cabled(xlr(10, open('3'))), 'pin 3 open'],
  ])('%s open under a floating coil: Silent, the cable and its fault by name', (_, asked, fault) => {
    const found = find(checked(asked), 'open-path');
    expect(found).toMatchObject({ severity: 'silent', part: 0, what: 'Dead cable: Cable' });
    expect(found.why.toLowerCase()).toContain(fault);
    expect(found.why).toMatch(/Only −\d\d dB arrives\.$/);
    expect(found.remedies.map(({ by }) => by)).toEqual(['cable']);
  });

  test('both open, or a lead without its tip: nothing arrives, and no figure stands for nothing', () => {
    const found = find(checked(line(gear.output('ts635'), ts(3, open('T')), lineJack)), 'open-path');
    expect(found.why).toMatch(/Nothing arrives\.$/);
    expect(found.numbers).toEqual([]);
  });

  test('a powered output drives both legs: one of them open is −6 dB and Watch', () => {
    const result = checked(line(gear.condenser, xlr(10, open('3')), xlrIn('P48')));
    const found = find(result, 'leg-lost');
    expect(result.verdict).toBe('Watch');
    expect(number(found, 'Level against')).toBeGreaterThan(-7);
    expect(number(found, 'Level against')).toBeLessThan(-5.5);
    expect(found.what).toBe('One leg is open: pin 3');
    expect(found.why).toMatch(/phantom comes through one resistor instead of two\.$/);
    expect(found.consequences!.map(({ code }) => code)).toEqual(['underpowered']);
  });

  test('on a balanced jack lead: the ring by its name, and nothing of phantom', () => {
    const found = find(checked(line(gear.output('trs635'), trs(3, open('R')), lineJack)), 'leg-lost');
    expect(found.what).toBe('One leg is open: ring');
    expect(found.why).not.toMatch(/phantom/);
    expect(found.why).toMatch(/hum no longer cancels\.$/);
  });

  test('an open ring under a plug of two contacts does nothing today: Watch all the same', () => {
    const result = checked(line(gear.output('ts635'), trs(3, open('R')), lineJack));
    expect(codes(result)).toContain('cable-fault');
    expect(result.verdict).toBe('Watch');
  });
});

describe('a short', () => {
  test.each([
    ['between the legs', cabled(xlr(10, short('2', '3'))), 'Silent'],
    ['of one leg, feed off', cabled(xlr(10, short('1', '2'))), 'Watch'],
    ['of one leg, feed on', cabled(xlr(10, short('1', '2')), 'P48'), 'Stop'],
    ['of a jack lead', line(gear.output('ts635'), ts(3, short('T', 'S')), lineJack), 'Silent'],
    ['of a mini-jack extension', line(lavalier(), mini(1, short('T', 'S')), camera()), 'Silent'],
  ])('%s', (_, asked, expected) => expect(verdict(asked)).toBe(expected));

  test('says how many ohms lie between the legs, and what is left of the level', () => {
    const found = find(checked(cabled(xlr(10, short('2', '3')))), 'shorted-path');
    expect(number(found, 'Load at 1 kHz')).toBeLessThan(5);
    expect(found.why).toMatch(/1\.7 Ω between the legs\. Only −66 dB arrives\.$/);
  });
});

describe('polarity', () => {
  const reversed = (...links: PathLink[]) => checked(line(gear.condenser, ...links, xlrIn('P48')));

  test.each([
    ['a cable', [xlr(5, swap('2', '3'))], 'Watch', 'reversed'],
    ['a polarity reverser', [xlr(5), gear.reverser], 'Clear', 'reversed'],
    ['two reversers', [gear.reverser, gear.reverser], 'Clear', undefined],
    ['cable and reverser', [xlr(5, swap('2', '3')), gear.reverser], 'Watch', 'cable-fault'],
    ['two cables', [xlr(5, swap('2', '3')), xlr(5, swap('2', '3'))], 'Watch', 'cable-fault'],
  ] as [string, PathLink[], string, string | undefined][])('%s: %s', (_, links, expected, code) => {
    const result = reversed(...links);
    expect(result.verdict).toBe(expected);
    expect(result.findings[0]?.code).toBe(code);
  });

  test('on purpose it is a note in other words', () => {
    const [meant] = reversed(gear.reverser).findings;
    expect(meant).toMatchObject({ severity: 'note', what: 'Polarity reversed, on purpose' });
    const button = checked(line(dynamic, xlr(5), xlrIn('off', { polarity: 'reversed' })));
    expect(find(button, 'reversed').severity).toBe('note');
  });
});

describe('plugs and sockets', () => {
  test.each([
    ['XLR in a jack', line(dynamic, lineJack), 'does-not-fit'],
    ['a TRS lead in an XLR inlet', line(gear.output('trs635'), trs(3), xlrIn()), 'does-not-fit'],
    ['a headset plug in a camera', line(lavalier('trrs35'), camera()), 'wrong-contact'],
    ['a three-contact plug in a telephone', line(lavalier(), gear.headset('ctia')), 'wrong-contact'],
  ])('%s: Silent', (_, asked, code) => {
    const result = checked(asked);
    expect(result.verdict).toBe('Silent');
    expect(codes(result)).toContain(code);
  });

  test('each sentence has the plug and the socket by their names', () => {
    expect(find(checked(line(dynamic, lineJack)), 'does-not-fit').why).toBe(
      'Dynamic has an XLR plug, Balanced line inlet, 6.35 mm jack a 6.35 mm TRS socket.',
    );
    expect(find(checked(line(lavalier('trrs35'), camera())), 'wrong-contact').why).toMatch(
      /^The microphone contact \(sleeve\) touches nothing there/,
    );
  });

  test('the adapter that joins them is the remedy', () => {
    const [first] = find(checked(line(lavalier('trrs35'), camera())), 'wrong-contact').remedies;
    expect(first).toMatchObject({ label: 'Add a headset plug to 3.5 mm TRS adapter', gives: 'Clear' });
    const [jack] = find(checked(line(gear.output('xlr3'), lineJack)), 'does-not-fit').remedies;
    expect(jack).toMatchObject({ label: 'Add an XLR to 6.35 mm TRS adapter', gives: 'Clear' });
  });
});

describe('left and right', () => {
  const wired = (wiring: string, feed = 'off') => checked(line(dynamic, adapter(wiring), camera(feed)));

  test.each([
    ['xlr-to-mini-both', 'Clear', undefined],
    ['xlr-to-mini-left', 'Watch', 'one-sided'],
    ['xlr-to-mini-balanced', 'Watch', 'mono-cancelled'],
  ])('a dynamic on a camera by %s: %s', (wiring, expected, code) => {
    const result = wired(wiring);
    expect(result.verdict).toBe(expected);
    expect(result.findings.find(({ severity }) => severity === 'watch')?.code).toBe(code);
  });

  test('the better wiring is offered, and which one it is', () => {
    const [use] = find(wired('xlr-to-mini-left'), 'one-sided').remedies;
    expect(use.note).toBe('2 to tip and ring, 1 and 3 to sleeve, in place of Plain adapter');
  });

  test('a single microphone with a mono plug misses nothing', () =>
    expect(verdict(line(lavalier('ts35'), camera()))).toBe('Clear'));

  test('a laptop on a balanced inlet: what both channels share is gone, in these words', () => {
    const found = find(
      checked(line(gear.output('trs35', 'direct', -2), adapter('mini-to-xlr-balanced'), xlr(5), xlrIn())),
      'mono-cancelled',
    );
    expect(found).toMatchObject({ severity: 'silent', what: 'Mono material cancels: left minus right' });
    expect(found.why).toMatch(/What both channels share \(voices, bass\) is gone\.$/);
    expect(found.remedies.map(({ label }) => label).join()).not.toMatch(/plug-in-power/);
  });

  test.each([
    ['trs35-balanced', 'Clear'],
    ['trs35-dual', 'Silent'],
    ['trs35', 'Silent'],
  ])('a mini-jack output that is %s, tip to 2 and ring to 3: %s', (connector, expected) => {
    const source = gear.output(connector, 'capacitor', -20);
    expect(verdict(line(source, adapter('mini-to-xlr-balanced'), xlr(5), xlrIn()))).toBe(expected);
  });

  test('a lead that ties left and right together is common: Clear, with a note', () => {
    const tied = checked(line(gear.output('trs35', 'direct', -2), adapter('mini-to-jack-mono'), lineJack));
    expect(tied.verdict).toBe('Clear');
    expect(find(tied, 'outputs-meet')).toMatchObject({ severity: 'note', what: 'Left and right tied together' });
    const apart = checked(line(gear.output('trs35', 'direct', -2), gear.stereoSplit('ts635'), lineJack));
    expect(codes(apart)).not.toContain('outputs-meet');
  });
});

describe('shields', () => {
  const lifted = (more: Partial<Line>, source: Part = gear.valve()): Line => ({
    ...line(source, xlr(10, open('1')), xlrIn('P48')),
    device: 'desk',
    ...more,
  });
  const earthed = { ...gear.valve(), choices: { battery: 'on', ground: 'earthed' } };

  test('where mains earth returns the feed it is Watch, and what is left without it is told', () => {
    const found = find(checked(lifted({ ground: 'earthed' }, earthed)), 'shield-open');
    expect(found).toMatchObject({ severity: 'watch', what: 'Shield open', part: 0 });
    expect(found.why).toMatch(
      /mains earth joins the grounds instead\. Without it: 0 V at the source instead of 48 V\./,
    );
  });

  test('where nothing returns it, a condenser is silent', () => {
    const dead = checked(lifted({ ground: 'floating' }, gear.condenser));
    expect(dead.verdict).toBe('Silent');
    expect(dead.findings[0].consequences!.map(({ code }) => code)).toContain('shield-open');
  });

  test('a dynamic without phantom still hums: Watch', () =>
    expect(verdict(line(dynamic, xlr(10, open('1')), xlrIn()))).toBe('Watch'));

  test('an isolating transformer with its shield lifted is no fault', () => {
    const iso = { ...gear.isolator, choices: { ground: 'lifted' } };
    expect(codes(checked(line(gear.output('xlr3', 'transformer', -30), iso, xlr(5), xlrIn())))).not.toContain(
      'shield-open',
    );
  });
});
