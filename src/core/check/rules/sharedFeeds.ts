import { inletKind, type Branch, type Line } from '../../gear';
import { LIVE } from '../../standards/feeds';
import { feedAt, feedOf, finding, quantity, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import type { Solved } from '../solve';

/** Current from a second feed that counts as reaching the conductors, in amperes. */
const REACHES = 20e-6;

/** Branches that end in an inlet whose feed is on, with the direct current each gives. */
const fedBranches = (line: Line): Branch[] =>
  (line.branches ?? []).filter(({ inlet }) => inlet && feedOfPart(inlet) !== 'off');

const feedOfPart = ({ kind, choices }: NonNullable<Branch['inlet']>): string =>
  'feed' in inletKind(kind).choices ? (choices?.feed ?? 'off') : 'off';

const withFeed = (line: Line, branch: Branch, feed: string): Line => ({
  ...line,
  branches: line.branches?.map((other) =>
    other === branch ? { ...other, inlet: { ...other.inlet!, choices: { ...other.inlet!.choices, feed } } } : other,
  ),
});

const ownFeedOff = (line: Line): Line => ({
  ...line,
  inlet: { ...line.inlet, choices: { ...line.inlet.choices, feed: 'off' } },
});

/** What another line's feed gives into the shared conductors. */
function given({ circuit, point }: Solved, branch: Branch): number {
  const feed = circuit.others.find(({ line, stake }) => line === branch.line && stake.type === 'feed')?.stake;
  return feed?.type === 'feed' ? Math.abs(point.amps(feed.element)) : 0;
}

/** Conductors that two inlets share while both are fed, or could be: who feeds, and what happens when one goes off. */
export const sharedFeeds: Rule = {
  code: 'shared-feeds',
  judge: (at) => (feedOf(at.line) === 'off' ? [] : fedBranches(at.line).map((branch) => both(at, branch))),
};

function both(at: Case, branch: Branch): Finding {
  const own = at.circuit.stakes.find((stake) => stake.type === 'feed' && stake.part === 'inlet');
  const mine = own?.type === 'feed' ? Math.abs(at.point.amps(own.element)) : 0;
  const theirs = given(at, branch);
  const without = at.solve(withFeed(at.line, branch, 'off'));
  const alone = at.solve(ownFeedOff(at.line));
  const here = feedAt(at, 0);
  const [ifTheirsGoes, ifMineGoes] = [feedAt(without, 0), feedAt(alone, 0)];
  const mineReaches = Math.abs(here - ifMineGoes) > LIVE / 2 || mine > REACHES;
  const theirsReaches = Math.abs(here - ifTheirsGoes) > LIVE / 2 || theirs > REACHES;
  const inlet = branch.inlet?.name ?? branch.name;
  const ownName = at.line.inlet.name ?? 'this inlet';
  const parallel = mineReaches && theirsReaches;
  const who = parallel
    ? `${ownName} gives ${quantity(mine, 'A')}, ${inlet} ${quantity(theirs, 'A')}.`
    : mineReaches
      ? `Phantom comes from ${ownName} (${quantity(mine, 'A')}). That of ${inlet} is blocked on the way.`
      : `Phantom comes from ${inlet} (${quantity(theirs, 'A')}). That of ${ownName} is blocked on the way.`;
  const off = (name: string, left: number) =>
    Math.abs(left - here) < LIVE / 2
      ? `Turn off ${name}: no change.`
      : left < LIVE
        ? `Turn off ${name} and the source loses its feed.`
        : `Turn off ${name}: ${quantity(left, 'V')} left at the source.`;
  const feeder = mineReaches ? ownName : inlet;
  return finding({
    code: 'shared-feeds',
    severity: parallel ? 'watch' : 'note',
    part: branch.at,
    what: parallel ? 'Two feeds on the same conductors' : `Both inlets have their feed on: only ${feeder} feeds`,
    why: `${who} ${off(ownName, ifMineGoes)} ${off(inlet, ifTheirsGoes)}${parallel ? ' One of the two should be off, or isolated by a transformer.' : ''}`,
    numbers: [
      { label: `Feed current from ${ownName}`, value: mine, unit: 'A' },
      { label: `Feed current from ${inlet}`, value: theirs, unit: 'A' },
      { label: `At the source with ${ownName} off`, value: ifMineGoes, unit: 'V' },
      { label: `At the source with ${inlet} off`, value: ifTheirsGoes, unit: 'V' },
    ],
    basis: 'calculation of the shared circuit, each feed on and off',
    look: 'Turn the feed of the other inlet off.',
  });
}
