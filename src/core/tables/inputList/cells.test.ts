import { feedIn, isSpare, metresIn, numbersIn, withoutFeed } from './cells';

/** What people write into such cells (common practice). */
describe('48 V among other words', () => {
  const said = (text: string) => withoutFeed(text).feed;
  test.each([
    'phantom off',
    '48V off',
    '48 V: off',
    'ribbon, phantom OFF!',
    'phantom must be off',
    'phantom (no)',
    '48V - no',
    'P48 no',
    'phantom: none',
    '48V not needed',
    'phantom power not required',
    'turn 48V off',
    'turn off 48V',
    'keep phantom off',
    'no 48V',
    'no 48V needed',
    'no 48V on this one',
    'no phantom please',
    'NO PHANTOM',
    'no need for 48V',
    'never phantom',
    'do not use phantom',
    "don't phantom",
    'don’t use phantom',
    'kill phantom',
    'w/o 48V',
    'without any phantom',
    'ribbon without phantom, 1958',
  ])('“%s” asks for none', (text) => expect(said(text)).toBe('off'));

  test.each([
    '48V',
    'condenser +48V',
    'condenser, phantom',
    'active DI (phantom)',
    'needs 48V',
    '48V on',
    '48V: yes',
    'phantom required',
    '48V please',
    'pad off, 48V on',
    'no pad, 48V',
    'not the old one, 48V',
    'P48 / -10 dB',
    '48V no problem',
  ])('“%s” asks for it', (text) => expect(said(text)).toBe('on'));

  test.each(['48V?', '48V optional', 'phantom if needed', 'mute before 48V', 'after 48V', 'maybe 48V', '48V tbc'])(
    '“%s” leaves it to whoever reads it, with all its words',
    (text) => expect(withoutFeed(text)).toEqual({ rest: text }),
  );

  test.each(['ribbon', 'non-phantom', '48 kHz', '480 V', 'camera 148V', '48-way multicore'])(
    '“%s” says nothing of it',
    (text) => expect(withoutFeed(text)).toEqual({ rest: text }),
  );

  test.each(['48V on the condenser, no phantom on the ribbon', 'ribbon no phantom, condenser 48V'])(
    '“%s” says both, and is left to be read',
    (text) => expect(withoutFeed(text)).toEqual({ rest: text }),
  );
  test('said twice alike it is said once', () => {
    expect(said('48V, phantom on')).toBe('on');
    expect(said('no 48V, never phantom')).toBe('off');
  });

  test('the words about it go, the others stay', () => {
    const rest = (text: string) => withoutFeed(text).rest;
    expect(rest('ribbon, phantom OFF!')).toBe('ribbon');
    expect(rest('long ribbon no phantom, 1958')).toBe('long ribbon, 1958');
    expect(rest('small condenser +48V on short stand')).toBe('small condenser short stand');
    for (const text of ['condenser (48V)', 'condenser (no phantom)', 'condenser, phantom (off)', '(48V) condenser'])
      expect(rest(text)).toBe('condenser');
    expect(rest('condenser (48V, short stand)')).toBe('condenser, short stand');
    expect(rest('condenser (new), 48V')).toBe('condenser (new)');
    expect(rest('active DI, pad -10, 48V')).toBe('active DI, pad -10');
  });
});

describe('a cell of its own for 48 V', () => {
  test.each(['x', 'Yes', 'ON', '✓', '1', '+48', '48V', '48 volts', 'P48', 'phantom', 'y!'])('“%s” is on', (cell) =>
    expect(feedIn(cell)).toBe('on'),
  );
  test.each(['no', 'OFF', '-', '–', '0', 'none', 'never!', '0 V', 'n/a', 'w/o', 'not needed', '✗', 'nope'])(
    '“%s” is off',
    (cell) => expect(feedIn(cell)).toBe('off'),
  );
  test.each(['', '?', 'maybe', '24 V', 'bank A', '48V?'])('“%s” is neither', (cell) =>
    expect(feedIn(cell)).toBeUndefined(),
  );
});

describe('numbers of channels', () => {
  test.each([
    ['7', [7]],
    ['Ch 07', [7]],
    ['#4', [4]],
    ['3.', [3]],
    ['12)', [12]],
    ['3.0', [3]],
    ['Input: 5', [5]],
    ['1-2', [1, 2]],
    ['3–6', [3, 4, 5, 6]],
    ['1 to 3', [1, 2, 3]],
    ['3/4', [3, 4]],
    ['3/6', [3, 6]],
    ['5 & 6', [5, 6]],
    ['5+6', [5, 6]],
    ['5, 8', [5, 8]],
    ['2 and 3', [2, 3]],
    // What a spreadsheet made of 1-2, 3-4, 9/10.
    ['1-Feb', [1, 2]],
    ['4-Mar', [3, 4]],
    ['Oct 9', [9, 10]],
    ['2026-02-01', [1, 2]],
    ['1-32', Array.from({ length: 32 }, (_, n) => n + 1)],
  ])('“%s”', (cell, numbers) => expect(numbersIn(cell)).toEqual(numbers));
  test.each(['', 'A1', '1L', '10-9', '4-4', '1-33', '1.5', '1234', 'x', '1-2-3', 'Bass 1'])('“%s” is none', (cell) =>
    expect(numbersIn(cell)).toBeUndefined(),
  );
});

describe('lengths', () => {
  test.each([
    ['10', 10],
    ['10 m', 10],
    ['7,5 m', 7.5],
    ['7.5m', 7.5],
    ['10mtr', 10],
    ['15 metres', 15],
    ['15 meters.', 15],
    ['~10 m', 10],
    ['ca. 10 m', 10],
    ['10m XLR', 10],
    ['0', 0],
    ['25 ft', 7.62],
    ["25'", 7.62],
    ['25’', 7.62],
    ['25′', 7.62],
  ])('“%s” is %d m', (cell, metres) => expect(metresIn(cell, 'Cable')).toBeCloseTo(metres, 6));
  test('a bare number is in the unit of its heading', () => {
    for (const heading of ['Cable (ft)', 'Feet', 'Length in feet', "Run (')"])
      expect(metresIn('10', heading)).toBe(3.05);
    for (const heading of ['Cable', 'Length (m)', 'Left', 'm']) expect(metresIn('10', heading)).toBe(10);
    expect(metresIn('10 m', 'Feet')).toBe(10);
  });
  test.each(['', 'long', '100cm', '25"', '25”', '2 x 10 m', '10+5', '1:50', '10 m twice'])('“%s” is none', (cell) =>
    expect(metresIn(cell, 'Cable')).toBeUndefined(),
  );
});

describe('channels kept free', () => {
  test.each([
    'Spare',
    'SPARE 1',
    'spare #2',
    '(spare)',
    'spare?',
    'empty',
    'blank',
    'free',
    'vacant',
    'unused',
    'not used',
    'NC',
    'n.c.',
    'n/a',
    'TBD',
    'tba',
    'open',
    'reserved',
    '-',
    '---',
    '–',
  ])('“%s”', (text) => expect(isSpare(text)).toBe(true));
  test.each(['', 'Spare ribbon', 'Voice', 'x', 'open-back banjo', 'spares', 'free bass'])('not “%s”', (text) =>
    expect(isSpare(text)).toBe(false),
  );
});
