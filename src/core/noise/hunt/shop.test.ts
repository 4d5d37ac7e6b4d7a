import { shopCase, type Hunt } from '.';

const components = (hum: number) => ({ hum, buzz: 0, tones: 0, hiss: 1e-9 });
const hunt = (...steps: [on: string[], hum: number][]): Hunt => ({
  way: 'take-away',
  line: 'guitar',
  suspects: [
    { id: 'desk', name: 'Desk', kind: 'audio device', fixed: true },
    { id: 'amp', name: 'Amplifier', kind: 'loudspeaker' },
    { id: 'lamp', name: 'Lamp', kind: 'lamp' },
  ],
  steps: steps.map(([on, hum]) => ({ on, components: components(hum), at: '' })),
});

test('a unit that hums with everything else unplugged, and silence without it, is proven', () => {
  const found = shopCase(hunt([['desk', 'amp', 'lamp'], 1e-6], [['desk'], 1e-12], [['desk', 'amp'], 1e-6]), 'amp');
  expect(found).toMatchObject({ proven: true, left: ['Desk'] });
  expect([found.alone!.components.hum, found.without!.components.hum]).toEqual([1e-6, 1e-12]);
});

test('while something else was on beside it, or nothing was measured without it, nothing is proven', () => {
  const beside = shopCase(hunt([['desk', 'amp', 'lamp'], 1e-6], [['desk', 'lamp'], 1e-12]), 'amp');
  expect(beside).toMatchObject({ proven: false, left: ['Desk', 'Lamp'] });
  expect(beside.without!.on).toEqual(['desk', 'lamp']);
  expect(shopCase(hunt([['desk', 'amp'], 1e-6]), 'amp')).toMatchObject({ proven: false });
  expect(shopCase(hunt(), 'amp')).toEqual({ left: [], proven: false });
});
