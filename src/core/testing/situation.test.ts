import { readFileSync } from 'node:fs';
import { WAIT } from '../../../tests/testing/lines';
import { parseDocument, rigPath } from '../rig';
import { diagnose } from './diagnosis/diagnose';
import { situationOf } from './situation';

const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const mended = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));

test('whom the feed of its switch harms, by name; on the mended rig nobody', () => {
  expect(situationOf(rig, 'announcer')!.harmed).toEqual([
    'Trio, ribbon left',
    'Trio, ribbon right',
    'Trio, long ribbon',
    'Guide, lavalier',
  ]);
  for (const { id } of mended.lines) expect(situationOf(mended, id)).toEqual({ harmed: [] });
  expect(situationOf(rig, 'nobody')).toBeUndefined();
});

test('wrong as it is wired is said, a broken cable is not: that is what is looked for', () => {
  expect(situationOf(rig, 't12-shotgun')!.asWired).toEqual({ verdict: 'Silent', what: 'No power at the microphone' });
  expect(situationOf(rig, 'ribbon-left')!.asWired?.verdict).toBe('Stop');
  expect(situationOf(rig, 'announcer')!.asWired).toBeUndefined();
});

test('while the feed would harm somebody, nothing is asked that turns it on, and a coil is looked at without it', () => {
  const asked = (line: string, feedStaysOff: boolean) => {
    const { next, others } = diagnose(
      rigPath(rig, line)!.line,
      [{ instrument: 'listening', at: 'desk', seen: 'nothing' }],
      {
        wait: WAIT,
        feedStaysOff,
      },
    );
    return [...(next ? [next] : []), ...others].map(({ instrument }) => instrument);
  };
  expect(asked('announcer', false)).toEqual(expect.arrayContaining(['lamps', 'voltmeter', 'exchange']));
  const coil = asked('announcer', true);
  for (const live of ['lamps', 'voltmeter', 'test load', 'milliammeter']) expect(coil).not.toContain(live);
  expect(coil).toEqual(expect.arrayContaining(['exchange', 'cable box', 'wiggling']));
  // A condenser is silent without it: nothing can be heard of a swap.
  expect(asked('pair-a-left', true)).not.toContain('exchange');
  expect(asked('pair-a-left', true)).toEqual(expect.arrayContaining(['cable box', 'feed lamp']));
});
