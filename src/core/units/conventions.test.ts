import { setConventions, STANDARD_CONVENTIONS, clockPattern, mainsFrequency, worded } from './conventions';
import { digits, lengthText, quantity } from './format';

afterEach(() => setConventions(STANDARD_CONVENTIONS));

const set = (some: Partial<typeof STANDARD_CONVENTIONS>) => setConventions({ ...STANDARD_CONVENTIONS, ...some });

describe('how figures and words are written', () => {
  it('puts feet beside metres, by the international foot of 0.3048 m', () => {
    expect(lengthText(20)).toBe('20 m');
    set({ lengths: 'feet-too' });
    expect(lengthText(20)).toBe('20 m (66 ft)');
    expect(quantity(1.5, 'm')).toBe('1.5 m (4.9 ft)');
    expect(lengthText(30.48)).toBe('30.5 m (100 ft)');
  });

  it('writes a decimal comma in every unit, and nothing else otherwise', () => {
    set({ decimals: 'comma' });
    expect(quantity(7.06e-3, 'A')).toBe('7,06 mA');
    expect(quantity(37.84, 'V')).toBe('37,8 V');
    expect(quantity(-21.6, 'dB')).toBe('−21,6 dB');
    expect(quantity(48, 'V')).toBe('48 V');
    expect(digits(-0.5, 2)).toBe('−0,50');
  });

  it('says earth for ground, but for a lift and what only begins or ends like it', () => {
    expect(worded('A ground loop')).toBe('A ground loop');
    set({ ground: 'earth' });
    expect(worded('Ground loop: one leg grounded, two grounds')).toBe('Earth loop: one leg earthed, two earths');
    expect(worded('ground lift, background, protective earth')).toBe('ground lift, background, protective earth');
    expect(worded('ground, earth')).toBe('ground, earth');
  });

  it('reads the clock and the mains as set', () => {
    expect([clockPattern(), clockPattern('with seconds'), mainsFrequency()]).toEqual(['HH:mm', 'HH:mm:ss', 50]);
    set({ clock: '12', mains: '60' });
    expect([clockPattern(), clockPattern('with seconds'), mainsFrequency()]).toEqual(['h:mm a', 'h:mm:ss a', 60]);
  });
});
