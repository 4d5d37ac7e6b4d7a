import { characterOf, feedName, feedOf, finding, nameOf, quantity, schoolOf, type Rule } from '../case';

/** A feed that nobody takes draws less than this, in amperes. */
const NOTHING = 10e-6;

export const feedNotNeeded: Rule = {
  code: 'feed-not-needed',
  judge(at) {
    const feed = at.circuit.stakes.find((stake) => stake.type === 'feed' && stake.part === 'inlet');
    const character = characterOf(at.line);
    // The ribbon has a school and a finding of its own; plug-in power is always there.
    if (
      feedOf(at.line) === 'off' ||
      feedOf(at.line) === 'plug-in' ||
      feed?.type !== 'feed' ||
      at.supplies.length > 0 ||
      character === 'passive ribbon'
    )
      return [];
    const amps = Math.abs(at.point.amps(feed.element));
    const coil = character === 'moving coil';
    const needed = at.line.switch?.needed === true;
    const strict = coil && at.schools.movingCoilFeed === 'off-unless-needed' && !needed;
    return [
      finding({
        code: 'feed-not-needed',
        severity: strict ? 'watch' : 'note',
        part: 'inlet',
        what: `${feedName(at.line)} on, not needed here`,
        why:
          `${nameOf(at.line, 'source')} doesn't use it` +
          (amps < NOTHING ? ' and no DC flows.' : `, yet ${quantity(amps, 'A')} flows.`) +
          (needed ? ' Another line on this switch needs it.' : ''),
        numbers: amps < NOTHING ? [] : [{ label: 'Feed current', value: amps, unit: 'A' }],
        ...(coil ? schoolOf(at, 'movingCoilFeed') : { basis: 'calculation' }),
      }),
    ];
  },
};
