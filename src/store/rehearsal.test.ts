import { readFileSync } from 'node:fs';
import { huntView, suspectsOf } from '@/core/noise/hunt';
import { ladderResult } from '@/core/noise/ladder';
import { exposures } from '@/core/log';
import { rigPath } from '@/core/rig';
import { live } from '@/core/runsheet';
import { storeForEach } from '../../tests/stores';
import { loadDemo } from './demo';
import { loadFed, loadLog } from './log';
import { loadHunts, loadLadders, loadMeasurements } from './noise';
import { loadRig } from './rigs';
import type { Store } from './store';
import { loadSwitching } from './switching';

let store: Store;
storeForEach((opened) => {
  store = opened;
  loadDemo(store);
});

const [WRONG, MENDED] = ['lock-nine', 'lock-nine-mended'];

describe('the rehearsal behind the demo', () => {
  it('names lines that there are, in the order of time', () => {
    for (const rig of [WRONG, MENDED]) {
      const { document } = loadRig(store, rig)!;
      const log = loadLog(store, rig);
      const known = new Set(document.lines.map(({ id }) => id));
      expect(log.flatMap(({ lines }) => lines).filter((id) => !known.has(id))).toEqual([]);
      expect(log.map(({ at }) => at)).toEqual(log.map(({ at }) => at).toSorted());
      expect(loadMeasurements(store, rig).every(({ line }) => rigPath(document, line))).toBe(true);
    }
  });

  it('has measured three evenings, quieter when the charger and the laptop are gone', () => {
    const heard = loadMeasurements(store, WRONG).filter(({ line }) => line === 'laptop');
    expect(new Set(heard.map(({ at }) => at.slice(0, 10))).size).toBe(3);
    const [first, second, third] = heard.map(({ measurement }) => measurement.reading);
    expect(first.tones.length).toBeGreaterThan(0);
    expect(second.tones).toEqual([]);
    expect(second.mains?.frequencyHz).toBeCloseTo(50, 0);
    expect(third.mains).toBeNull();
    expect(third.aWeightedDbfs).toBeLessThan(second.aWeightedDbfs - 3);
    expect(heard.every(({ measurement }) => measurement.reading.usable)).toBe(true);
  });

  it('has hunted until both were found, by what the hunt says today', () => {
    const [{ hunt }] = loadHunts(store, WRONG);
    // The rehearsal is of the rig as it is now: `npm run rehearse` makes it anew.
    expect(hunt.suspects).toEqual(suspectsOf(loadRig(store, WRONG)!.document, hunt.line));
    const { next, accounts } = huntView(hunt);
    expect(next).toBeUndefined();
    const told = accounts.flatMap(({ culprits }) => culprits);
    expect(told).toContain('laptop');
    expect(told).toContain('phone-charger');
    const [{ kind, readings }] = loadLadders(store, WRONG);
    expect(ladderResult(kind, readings).most).toBeDefined();
  });

  it('has set the mended rig up and struck it, with nothing left live or plugged', () => {
    const { session, rig, revision } = loadSwitching(store, MENDED)!;
    expect(revision).toBe(loadRig(store, MENDED)!.revision);
    expect(session.steps).toEqual([]);
    expect(session.aim?.kind).toBe('strike');
    expect(rig.groups.filter(({ key }) => live(rig, session.state, key))).toEqual([]);
    expect(Object.values(session.state.ends).flatMap((ends) => Object.values(ends))).not.toContain(true);
    expect(exposures(loadFed(store, MENDED), '2026-05-09T00:00:00.000Z').length).toBeGreaterThan(0);
  });

  it('says nothing of sound that is not there', () => {
    expect(readFileSync('demo/rehearsal.json', 'utf8')).not.toMatch(/−(1[5-9]\d|2\d\d)(\.\d)? dBFS/);
  });
});
