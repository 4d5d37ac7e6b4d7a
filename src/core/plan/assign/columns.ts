import { planningOf, linkKind, inletKey } from '../../gear';
import { rankOf } from '../../check/finding';
import type { Schools } from '../../schools/schools';
import { endsInLink, type InletRef, type RigDocument, type RigLine } from '../../rig/document';
import { rigPathsOf, type RigPath } from '../../rig/paths';
import { setFeed } from '../../rig/rigEdits';
import { isPhantom, type FeedName } from '../../standards/feeds';
import { assessed, type Assess, type Assessment } from '../assess';
import { changesOf, partsOf, type Chain } from '../chains/chain';
import {
  accepted,
  candidatesOf,
  searchChains,
  worthwhile,
  type Candidates,
  type ChainSearch,
  type Judged,
} from '../chains/search';
import { pieceKey, type Piece } from '../pieces';
import { runTo, type Task } from '../tasks';
import { feedsOf, groupKey, siteOf, type Place } from '../places';
import { ownPieces, reachesOver } from '../asItIs';

/** One way to place one task: where, at which feed, over which links. */
export interface Column {
  task: number;
  /** Number of the place. */
  place: number;
  feed: FeedName;
  /** The task's links keep their places on several lines; absent for a line by itself. */
  judged: Judged;
  /** How many of its lines are Watch. */
  watch: number;
  /** It takes the feed: without, it would be no good. */
  needs: boolean;
  /** How many lower phantom voltages of the same switch would do as well. */
  above: number;
  /** Current by device, in µA: whole numbers for the optimiser. */
  amps: { device: string; micro: number }[];
  /** Feeds that other switches must have, for lines that hang on its links. */
  also: { group: string; feed: FeedName }[];
  /** Tasks that it places as well: lines that stay in the link-through of its box. */
  covers?: number[];
}

export interface Problem {
  document: RigDocument;
  schools: Schools;
  tasks: readonly Task[];
  places: readonly Place[];
  pieces: readonly Piece[];
  /** Most pieces of one line that would have to be got. */
  mostToGet: number;
  /** Lines for which anything may be got. */
  missing: ReadonlySet<string>;
  /** Boxes may be got for the other lines, too: that may set an inlet or a piece free. */
  wide: boolean;
  /** Where a device can give only so much current, chains are looked at that take theirs from elsewhere. */
  sparing?: boolean;
  /** Something is got for a line at Watch before it stays so: what is got counts after that. */
  clearFirst?: boolean;
  assess: Assess;
  /** Chains that have been judged already, by line, sort of inlet, feed, run and what there is. */
  judged: Map<string, Judged[]>;
  /** Ways to join a line to a kind of inlet, by line, kind, run and what there is. */
  candidates: Map<string, Candidates>;
  /** Lines that are Clear as they are, with cables that reach: they are left alone while nothing else is to be saved by it. */
  clear: ReadonlySet<string>;
  /** For devices on batteries: whether the school asks for the lowest voltage that will do, or for 48 V. */
  voltage: ReadonlyMap<string, 'lowest' | '48 V'>;
}

const MICRO = 1e6;
/** Every way worth its while to place one task at one place: Clear or Watch, and not beaten by another one. */
export function columnsAt(problem: Problem, task: number, place: number): Column[] {
  const { document, tasks, places } = problem;
  const { toGet } = places[place];
  const { followers, line } = tasks[task];
  const driven = tasks.flatMap((other, n) => (drivenInto(other, line.id) ? [n] : []));
  const together = driven.length > 0 && !driven.some((n) => wished(document, tasks[n].line.id));
  const columns = followers.length
    ? bundleColumns(problem, task, place, followers)
    : [
        ...feedsOf(places[place]).flatMap((feed) => lineColumns(problem, task, place, feed)),
        // Or everything stays as it is, with whoever is driven into its box.
        ...(together
          ? bundleColumns(
              problem,
              task,
              place,
              driven.map((n) => tasks[n].line),
            ).map((column) => ({ ...column, covers: driven }))
          : []),
      ];
  if (!toGet) return columns;
  return columns.map((column) => ({
    ...column,
    judged: { ...column.judged, uses: [...column.judged.uses, toGet] },
  }));
}

/** Whether somebody has said where a line belongs: then it cannot stay without an inlet of its own. */
const wished = ({ wishes }: RigDocument, line: string): boolean =>
  [...(wishes?.pinned ?? []), ...(wishes?.forbidden ?? [])].some((wish) => wish.line === line) ||
  (wishes?.neighbours ?? []).some((pair) => pair.includes(line));

const drivenInto = ({ line }: Task, host: string): boolean => endsInLink(line) && line.inlet.into.line === host;

/** Whether a line is on one of a place's inlets now. */
export const isHome = ({ now }: Task, { device, inlets }: Place): boolean =>
  now !== undefined && device.id === now.device && inlets.includes(now.inlet);

/** Whether a line comes out at another place of the room than now, which somebody else records. */
export function isSentAway({ document, places, tasks }: Problem, { task, place }: Column): boolean {
  const { now } = tasks[task];
  const was = document.devices.find(({ id }) => id === now?.device);
  return was !== undefined && places[place].device.location !== was.location;
}

/** Whether its line stays on its links as they are. */
export const isUnchanged = ({ judged }: Column): boolean => judged.changes === 0;

function lineColumns(problem: Problem, n: number, at: number, feed: FeedName): Column[] {
  const { document, tasks, places, pieces, assess } = problem;
  const task = tasks[n];
  const place = places[at];
  const run = runTo(document, task, place.device.id);
  const mayBeGot = (piece: Piece) =>
    !piece.toGet || problem.missing.has(task.line.id) || (problem.wide && !planningOf(piece.part.kind)?.plain);
  const site = siteOf(place, feed);
  const limited = problem.sparing === true && place.device.feedLimit !== undefined;
  const usable = problem.mostToGet ? pieces.filter(mayBeGot) : pieces;
  // Inlets of several switches are often alike: what serves one of them serves the others.
  const searchAt = (): ChainSearch => {
    const gathering = {
      source: task.source,
      links: task.line.links,
      run,
      pieces: usable,
      mostToGet: problem.mostToGet,
      own: ownPieces(task, pieces),
      reaches: reachesOver(task, run),
    };
    const { kind } = place.part;
    const candidates = problem.candidates.get(joint) ?? candidatesOf({ ...gathering, inlet: kind });
    problem.candidates.set(joint, candidates);
    return { ...gathering, site, assess, limited, candidates };
  };
  const joint = JSON.stringify([task.line.id, place.part.kind, run, usable.length]);
  const key = JSON.stringify([
    task.line.id,
    site.inlet,
    site.switch?.offers,
    site.switch?.reaches?.length,
    run,
    usable.length,
    limited,
  ]);
  const judged = problem.judged.get(key) ?? searchChains(searchAt());
  problem.judged.set(key, judged);
  // A line that goes to another device comes out somewhere else, too.
  const elsewhere = Number(task.now !== undefined && task.now.device !== place.device.id);
  /** A chain without a supply of its own that would do as well with the feed off: then the feed is not what is needed. */
  const fedForNothing = (one: Judged): boolean =>
    judged.some(
      (other) =>
        other !== one &&
        accepted(other) &&
        rankOf(other.verdict) >= rankOf(one.verdict) &&
        other.chain.steps.every(({ part }) => linkKind(part.kind).nature !== 'supply') &&
        asGoodAt('off', other),
    );
  const asGoodAt = (feed: FeedName, { chain, verdict }: Judged): boolean => {
    const then = assess(chain.source, partsOf(chain), siteOf(place, feed));
    return then !== undefined && rankOf(then.verdict) >= rankOf(verdict);
  };
  return worthwhile(judged, limited).map((one): Column => {
    const asGood = (other: FeedName): boolean => asGoodAt(other, one);
    return {
      task: n,
      place: at,
      feed,
      judged: { ...one, changes: one.changes + elsewhere },
      watch: Number(one.verdict === 'Watch'),
      needs: feed !== 'off' && !asGood('off') && !fedForNothing(one),
      above: lowerFeeds(place, feed).filter(asGood).length,
      amps: [{ device: place.device.id, micro: Math.ceil(one.amps * MICRO) }],
      also: [],
    };
  });
}

const VOLTS: Partial<Record<FeedName, number>> = { P12: 12, P24: 24, P48: 48, SP48: 48 };

/** Phantom feeds of a place's switch that are lower than one of its feeds. */
const lowerFeeds = (place: Place, feed: FeedName): FeedName[] =>
  isPhantom(feed)
    ? (place.group?.offers ?? []).filter((other) => isPhantom(other) && VOLTS[other]! < VOLTS[feed]!)
    : [];

/** A line with others on its links: all links stay, the others stay on their inlets, the line itself may move. */
function bundleColumns(problem: Problem, n: number, at: number, followers: readonly RigLine[]): Column[] {
  const { document, tasks, places, pieces, schools } = problem;
  const task = tasks[n];
  const place = places[at];
  const { line, now } = task;
  const own = ownPieces(task, pieces);
  if (own.some((piece) => !piece) || !reachesOver(task, runTo(document, task, place.device.id))) return [];
  const held = followers.flatMap((other) => (endsInLink(other) ? [] : [other.inlet]));
  const inlet = place.inlets.includes(now?.device === place.device.id ? now.inlet : '')
    ? now!.inlet
    : place.inlets.find((id) => !held.some((ref) => ref.device === place.device.id && ref.inlet === id));
  if (inlet === undefined) return [];
  const groups = [...new Map(held.flatMap((ref) => groupAt(document, ref)).map((each) => [each.key, each])).values()];
  const ownGroup = place.group && groupKey(place.device.id, place.group.id);
  const moved: RigLine = { ...line, inlet: { device: place.device.id, inlet } } as RigLine;
  const small: RigDocument = { ...document, lines: [moved, ...followers] };
  const links = [...line.links, ...followers.flatMap((other) => other.links)];
  const elsewhere = Number(now !== undefined && now.device !== place.device.id);
  return feedsOf(place).flatMap((feed) =>
    combinations(groups.filter(({ key }) => key !== ownGroup)).flatMap((also): Column[] => {
      const set = [...also, ...(place.group ? [{ device: place.device.id, group: place.group.id, feed }] : [])].reduce(
        (rig, { device, group, feed: to }) => setFeed(rig, device, group, to),
        small,
      );
      const paths = rigPathsOf(
        set,
        small.lines.map(({ id }) => id),
      );
      const all = paths.map((path) => assessed(path.line, schools));
      if (!all.every((each) => each && accepted(each))) return [];
      const worst = (all as Assessment[]).toSorted((a, b) => rankOf(a.verdict) - rankOf(b.verdict))[0];
      const chain: Chain = {
        source: task.source,
        steps: own.map((piece, k) => ({ piece: piece!, part: line.links[k] })),
      };
      return [
        {
          task: n,
          place: at,
          feed,
          judged: {
            ...worst,
            chain,
            uses: links.map(pieceKey),
            changes: changesOf({ source: task.source, links: line.links }, chain) + elsewhere,
            complexity: 0,
          },
          watch: (all as Assessment[]).filter(({ verdict }) => verdict === 'Watch').length,
          needs: feed !== 'off' && all[0]!.amps > 1e-4,
          above: 0,
          amps: drawn(paths, all as Assessment[]),
          also: also.map(({ device, group, feed: to }) => ({ group: groupKey(device, group), feed: to })),
        },
      ];
    }),
  );
}

/** What each inlet gives; lines that meet before one inlet are fed by it once. */
function drawn(paths: readonly RigPath[], all: readonly Assessment[]): Column['amps'] {
  const byInlet = new Map<string, { device: string; micro: number }>();
  paths.forEach(({ inlet }, n) => {
    const micro = Math.ceil(all[n].amps * MICRO);
    const known = byInlet.get(inletKey(inlet));
    if (!known || known.micro < micro) byInlet.set(inletKey(inlet), { device: inlet.device, micro });
  });
  return [...byInlet.values()];
}

interface SwitchFeeds {
  key: string;
  device: string;
  group: string;
  feeds: FeedName[];
}

function groupAt({ devices }: RigDocument, ref: InletRef): SwitchFeeds[] {
  const device = devices.find(({ id }) => id === ref.device)!;
  const group = device.groups.find(({ inlets }) => inlets.includes(ref.inlet));
  return group
    ? [{ key: groupKey(device.id, group.id), device: device.id, group: group.id, feeds: ['off', ...group.offers] }]
    : [];
}

/** Every way to set some switches. */
function combinations(groups: readonly SwitchFeeds[]): { device: string; group: string; feed: FeedName }[][] {
  return groups.reduce<{ device: string; group: string; feed: FeedName }[][]>(
    (sets, { device, group, feeds }) => sets.flatMap((set) => feeds.map((feed) => [...set, { device, group, feed }])),
    [[]],
  );
}
