import { demoRig } from '../../../tests/planning';
import { CircuitError } from '../circuit';
import { waitAfterOff } from '../schools/schools';
import { sheetRig } from './fromRig';

jest.mock('../transients/feedSteps', () => ({
  ...jest.requireActual<object>('../transients/feedSteps'),
  discharge: () => {
    throw new CircuitError('no-convergence', [], 'does not get past 1 ms');
  },
}));

const decays = (afterFeedOff: string) => {
  const rig = demoRig('lock-nine-mended');
  return sheetRig({ ...rig, schools: { ...rig.schools, afterFeedOff } }).groups.map(({ decay }) => decay.seconds);
};

test.each(['computed', 'longer'])(
  'where no discharge can be followed, nobody is told that there is none: %s',
  (school) => {
    const least = waitAfterOff(school) ?? 600;
    const waits = decays(school);
    expect(waits.length).toBeGreaterThan(3);
    for (const seconds of waits) expect(seconds).toBe(least);
  },
);
