import { lineDrawing } from '@/core/check';
import { DEFAULT_SCHOOLS } from '@/core/schools';
import { spoken } from './spoken';

const line = (source: object, links: object[] = [{ kind: 'cable' }], feed = 'P48') =>
  lineDrawing(
    { id: 'x', name: 'x', source, links, inlet: { kind: 'three-pin', choices: { feed } } } as Parameters<
      typeof lineDrawing
    >[0],
    DEFAULT_SCHOOLS,
  );

test('says what the picture says: volts and current of each contact, alike ones together', () => {
  expect(spoken(line({ kind: 'condenser-9-52' }))).toMatch(
    /^At the source: pin 2 and 3 at \d\d\.\d V, [\d.]+ mA each, pin 1 at 0 V, [\d.]+ mA\. At the inlet: pin 2 and 3 at \d\d\.\d V/,
  );
  expect(spoken(line({ kind: 'moving-coil' }, [], 'off'))).toBe('At the source: pin 2 and 3 and 1 at 0 V.');
});
