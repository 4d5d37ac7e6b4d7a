import { sourceKind } from '../../gear';
import { feedOf, finding, nameOf, quantity, schoolOf, type Rule } from '../case';
import { feedOff } from '../remedies';

/** A feed that nobody takes draws less than this, in amperes. */
const NOTHING = 10e-6;

export const feedNotNeeded: Rule = {
  code: 'feed-not-needed',
  judge(at) {
    const feed = at.circuit.stakes.find((stake) => stake.type === 'feed' && stake.part === 'inlet');
    const { character } = sourceKind(at.line.source.kind);
    // The ribbon has a school and a finding of its own.
    if (feedOf(at.line) === 'off' || feed?.type !== 'feed' || at.supplies.length > 0 || character === 'passive ribbon')
      return [];
    const amps = Math.abs(at.point.amps(feed.element));
    const coil = character === 'moving coil';
    const strict = coil && at.schools.movingCoilFeed === 'off-unless-needed';
    return [
      finding({
        code: 'feed-not-needed',
        severity: strict ? 'watch' : 'note',
        part: 'inlet',
        what: `The ${feed.feed} feed is on and nothing on this line needs it`,
        why:
          `${nameOf(at.line, 'source')} takes no feed; ` +
          (amps < NOTHING ? 'nothing flows.' : `${quantity(amps, 'A')} flow all the same.`),
        numbers: [{ label: 'Feed current', value: amps, unit: 'A' }],
        remedies: feedOff(at),
        ...(coil ? schoolOf(at, 'movingCoilFeed') : { basis: 'computation' }),
      }),
    ];
  },
};
