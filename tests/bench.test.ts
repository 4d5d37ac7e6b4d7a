import { readFileSync } from 'node:fs';
import { bigRig, mainsRig, mixedRig, timesOver } from '../bench/rigs';
import { readDocument } from '../src/core/rig';

test.each([
  ['of eight lines', bigRig(8)],
  ['of everything mixed', mixedRig(12, 24, 2)],
  ['with a mains side', mainsRig(16)],
  ['that is the demo twice', timesOver(JSON.parse(readFileSync('demo/lock-nine.json', 'utf8')), 2)],
])('the rig of the benchmarks %s is one that the doors take', (_, rig) => {
  expect(() => readDocument(rig)).not.toThrow();
  expect(rig.lines.length).toBeGreaterThanOrEqual(8);
});
