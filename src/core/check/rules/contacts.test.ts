import * as gear from '../../../../tests/lines/gear';
import { checked, codes, find, number } from '../../../../tests/lines/lines';

import type { Part } from '../../gear';

const { line, xlr, xlrIn, mini, ts, open, camera, condenser, dynamic, lavalier, selfPowered, guitar, headset } = gear;

/** What is lost where one contact is, told by contact, size and place. */
describe('one leg of a balanced line', () => {
  const balanced = (...links: Part[]) => line(condenser, ...links, xlrIn('P48'));

  test.each(['2', '3'] as const)('pin %s open: half is left, and the pin is named with both impedances', (pin) => {
    const found = find(checked(balanced(xlr(10, open(pin)))), 'leg-lost');
    expect(found).toMatchObject({ severity: 'watch', part: 0, what: `One leg is open: pin ${pin}` });
    expect(found.why).toMatch(
      /−6 dB against a good line; hum no longer cancels, and phantom comes through one resistor/,
    );
    expect(number(found, 'Level against a good line')).toBeCloseTo(20 * Math.log10(0.5), -0.5);
    expect(number(found, 'Open leg to ground')).toBeGreaterThan(10 * number(found, 'Other leg to ground'));
  });

  test('of two cables the one that is bad is named', () =>
    expect(find(checked(balanced(xlr(10), xlr(5, open('3')))), 'leg-lost').part).toBe(1));

  test.each(['2', '3'] as const)('a dynamic floats: with pin %s open next to nothing arrives', (pin) => {
    const result = checked(line(dynamic, xlr(10, open(pin)), xlrIn('off')));
    expect(codes(result)).toEqual(['open-path']);
    expect(result.verdict).toBe('Silent');
  });

  test('a whole one says nothing', () => expect(codes(checked(balanced(xlr(10))))).toEqual([]));
});

describe('one channel of two', () => {
  test('a mono microphone by its own plug is no fault', () => {
    const result = checked(line(lavalier('ts35'), camera()));
    expect(result.verdict).toBe('Clear');
    expect(find(result, 'one-sided')).toMatchObject({
      severity: 'note',
      part: 'inlet',
      what: 'Signal on the left channel only',
      why: "The right channel's contact is grounded or free.",
    });
  });

  test.each([
    ['R', 'left', 'right'],
    ['T', 'right', 'left'],
  ] as const)('%s of a stereo lead open: the %s channel is left, and the lead is named', (contact, heard, lost) => {
    const result = checked(line(lavalier(), mini(1, open(contact)), camera()));
    expect(result.verdict).toBe('Watch');
    expect(find(result, 'one-sided')).toMatchObject({ severity: 'watch', what: `Signal on the ${heard} channel only` });
    expect(find(result, 'one-sided').why).toContain(`${lost} channel's contact`);
  });

  test('both heard: nothing to say', () =>
    expect(codes(checked(line(lavalier(), mini(1), camera())))).not.toContain('one-sided'));

  test('what still gets across is told as what is lost', () =>
    expect(find(checked(line(selfPowered(), mini(1), camera())), 'one-sided').why).toMatch(
      /^The right channel is \d\d dB lower\.$/,
    ));
});

test('a headset of the other order is silent: its microphone is on contacts that nobody listens to', () => {
  const result = checked(line(lavalier('trrs35-ctia'), headset('omtp')));
  expect(result.verdict).toBe('Silent');
  expect(find(result, 'wrong-contact').what).toBe('Headset plug and socket are of different orders');
  expect(codes(checked(line(lavalier('trrs35-ctia'), headset('ctia'))))).not.toContain('wrong-contact');
});

describe('an instrument', () => {
  test('into a line inlet of 10 kΩ: loaded, in figures', () => {
    const found = find(checked(line(guitar, ts(6), gear.comboIn('line'))), 'loaded');
    expect(found).toMatchObject({ severity: 'watch', part: 'source' });
    expect(number(found, 'Load on the source') / 1e3).toBeCloseTo(10, 0);
    expect(number(found, 'Loss at the source')).toBeLessThan(-9);
    expect(found.remedies.some(({ gives }) => gives === 'Clear')).toBe(true);
  });

  test('into an instrument inlet of a megohm it is not', () =>
    expect(codes(checked(line(guitar, ts(3), gear.comboIn('instrument'))))).not.toContain('loaded'));

  test.each([
    [3, false],
    [20, true],
  ])('%d m of lead, unbalanced: %s', (metres, told) => {
    const result = checked(line(guitar, ts(metres), gear.comboIn('instrument')));
    expect(codes(result).includes('long-unbalanced')).toBe(told);
    if (told) expect(find(result, 'long-unbalanced')).toMatchObject({ part: 0, what: `${metres} m unbalanced` });
  });
});

test('an open shield takes the phantom away, and the cable is named', () => {
  const result = checked(line(condenser, xlr(10, open('1')), xlrIn('P48')));
  expect(result.verdict).toBe('Silent');
  expect(find(result, 'unpowered')).toMatchObject({ part: 0, what: 'Dead cable: Cable' });
  expect(number(find(result, 'unpowered'), 'pins 2 and 3')).toBeCloseTo(0, 3);
});
