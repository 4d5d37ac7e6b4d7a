import SequencerModule from '@jest/test-sequencer';

const Sequencer = SequencerModule.default ?? SequencerModule;

/** Files that take longest, though some of them are small: whoever comes to them last works alone. */
const LONG =
  /(recordings\/families|hunts\/worlds|plan\/plan|cli\/cli|measure\/(analysis|faults|tones)|diagnosis\/(blind|diagnose)|transients\/referee|runsheet\/explored)\.test\./;

/** Starts with what takes longest, then goes on as Jest does. */
export default class LongFirst extends Sequencer {
  sort(tests) {
    const [long, others] = [true, false].map((wanted) => tests.filter(({ path }) => LONG.test(path) === wanted));
    return [...super.sort(long), ...super.sort(others)];
  }
}
