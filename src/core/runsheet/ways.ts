import { type Verdict, rankOf } from '../check/finding';
import type { Judge } from '../rigcheck/judging';
import { lineSummary } from '../check/result';
import { endsInLink, groupOf, schoolsOf, startsAtLink, type InletRef, type RigDocument } from '../rig/document';
import { inletName, rigPath } from '../rig/paths';
import { duplicateLine, freeInlets, setFeed } from '../rig/rigEdits';
import type { FeedName } from '../standards/feeds';
import { sheetKey, type SheetRig } from './rig';
import { live, type SheetState } from './state';

/** One way to put something else in the place of a line while the others play. */
export interface Way {
  /** A free inlet beside its own; none for its own, where it comes out first. */
  to?: InletRef;
  name: string;
  /** Where it is. */
  place?: string;
  /** What its switch is set to for it, and the key of that switch. */
  group?: string;
  feed: FeedName;
  verdict: Verdict;
  /** Lines that are muted or lose their feed meanwhile. */
  disturbed: string[];
}

/**
 * Every way to change a line over, the one that disturbs least first: on its own inlet with its switch off, or beside it
 * on a free inlet that accepts it and disturbs fewer, the old one staying plugged and muted until everything rests.
 */
export function changeOverWays(
  document: RigDocument,
  rig: SheetRig,
  state: SheetState,
  id: string,
  judge: Judge = lineSummary,
): Way[] {
  const own = document.lines.find((line) => line.id === id);
  const sheetLine = rig.lines.find((line) => line.id === id);
  if (!own || !sheetLine) return [];
  const others = (key: string): string[] =>
    rig.lines
      .filter((line) => line.id !== id && line.groups.includes(key) && mayBeIn(state, line.id))
      .map((line) => line.id);
  const here: Way = {
    name: sheetLine.inlet,
    place: sheetLine.mixedAt,
    group: sheetLine.groups[0],
    feed: setTo(document, sheetLine.groups[0]),
    verdict: verdictOf(document, id, judge),
    disturbed: [...new Set(sheetLine.groups.filter((key) => live(rig, state, key)).flatMap(others))],
  };
  const branched = document.lines.some((line) => hangsOn(line, id));
  if (startsAtLink(own) || endsInLink(own) || branched) return [here];
  const beside = freeInlets(document).flatMap(({ to }): Way[] => {
    const device = document.devices.find((each) => each.id === to.device)!;
    const group = groupOf(device, to.inlet);
    const key = group && sheetKey(device.id, group.id);
    const settled = key === undefined || others(key).length > 0;
    const present = key !== undefined && state.feeds[key] ? state.feeds[key].feed : 'off';
    const feeds: FeedName[] = settled ? (present === 'unknown' ? [] : [present]) : ['off', ...group!.offers];
    const name = inletName(
      device,
      device.inlets.find((inlet) => inlet.id === to.inlet)!,
    );
    const place = rig.devices.find((each) => each.id === device.id)?.place;
    const tried = feeds.map((feed): Way => {
      const { document: placed, copy } = besideLine(document, id, to, feed);
      const disturbed = key !== undefined && present !== 'off' ? others(key) : [];
      return { to, name, place, group: key, feed, verdict: verdictOf(placed, copy, judge), disturbed };
    });
    return tried
      .filter(({ verdict }) => verdict === 'Clear' || verdict === 'Watch')
      .sort((a, b) => rank(b) - rank(a))
      .slice(0, 1);
  });
  const far = ({ place }: Way): number => (place === here.place ? 0 : 1);
  return [here, ...beside.filter(({ disturbed }) => disturbed.length < here.disturbed.length)].sort(
    (a, b) => a.disturbed.length - b.disturbed.length || far(a) - far(b) || rank(b) - rank(a),
  );
}

/**
 * A rig with a second line beside one, on a free inlet whose switch is set for it. Nobody brings another broken cable:
 * its links are as the first one's, without their faults.
 * @returns the rig and the id of that line
 */
export function besideLine(
  document: RigDocument,
  id: string,
  to: InletRef,
  feed: FeedName,
): { document: RigDocument; copy: string } {
  const group = groupOf(
    document.devices.find((device) => device.id === to.device)!,
    to.inlet,
  );
  const placed = duplicateLine(group ? setFeed(document, to.device, group.id, feed) : document, id, to);
  const copy = placed.lines.find((line) => !document.lines.some((before) => before.id === line.id))!.id;
  const sound = placed.lines.map((line) =>
    line.id === copy ? { ...line, links: line.links.map(({ faults: _faults, ...part }) => part) } : line,
  );
  return { document: { ...placed, lines: sound }, copy };
}

/** Better verdicts are higher. */
const rank = ({ verdict }: Way): number => rankOf(verdict);

const mayBeIn = ({ ends }: SheetState, id: string): boolean => ends[id].stage !== false || ends[id].desk !== false;

const hangsOn = (line: RigDocument['lines'][number], host: string): boolean =>
  (startsAtLink(line) && line.source.from.line === host) || (endsInLink(line) && line.inlet.into.line === host);

const setTo = ({ devices }: RigDocument, key: string | undefined): FeedName =>
  devices.flatMap((device) => device.groups.filter((group) => sheetKey(device.id, group.id) === key))[0]?.feed ?? 'off';

const verdictOf = (document: RigDocument, id: string, judge: Judge): Verdict =>
  judge(rigPath(document, id)!.line, schoolsOf(document)).verdict;
