import { schoolsOf, type RigDocument } from '../rig/document';
import { rigPath, rigPaths, type RigPath } from '../rig/paths';
import type { KitItem } from '../kit/item';
import type { FreeInlet } from '../gear/edits';
import { runLength } from '../rig/places';
import { freeInlets } from '../rig/rigEdits';
import type { FeedName } from '../standards/feeds';
import { allGroupFeeds, feedOption, linesOn, type FeedOption, type GroupFeeds } from './feedOptions';
import { type Remedy, type Verdict, rankOf } from '../check/finding';
import { groupResults, type GroupResult } from './groups';
import { remembering } from './remembering';
import { sharedByLines, type Shared } from '../check/shared';
import { solvedOrNot, type Judge, type Unsolved } from './judging';
import { lineResult, lineSummary, type LineResult } from '../check/result';
import type { Schools } from '../schools/schools';
import { inOrder } from '../check/search';
import { sparesOf } from '../check/spares';

/** The result of checking a rig, ready for JSON. */
export interface RigResult {
  format: 'inlet-check-result';
  version: 2;
  name: string;
  schools: Schools;
  lines: LineResult[];
  /** Lines whose circuit has no single answer, and why. */
  unsolved: Unsolved[];
  groups: GroupResult[];
}

/**
 * Solves and judges every line and every switch group of a rig. Remedies are left out: see `checkRigLine`.
 * @param judge how a line is judged, where somebody keeps earlier answers
 */
export function checkRig(document: RigDocument, judge: Judge = lineSummary): RigResult {
  const schools = schoolsOf(document);
  const paths = rigPaths(document);
  return rigResultOf(document, schools, paths, solvedOrNot(paths, schools, judge));
}

const rigResultOf = (
  document: RigDocument,
  schools: Schools,
  paths: readonly RigPath[],
  { lines, unsolved }: Pick<RigResult, 'lines' | 'unsolved'>,
): RigResult => ({
  format: 'inlet-check-result',
  version: 2,
  name: document.name,
  schools,
  lines,
  unsolved,
  groups: groupResults(document, paths, lines),
});

/** The same with everything about every line: remedies, answers, the course over time. Takes a hundred times as long. */
export function fullRigResult(document: RigDocument): RigResult & { feeds: GroupFeeds[] } {
  const schools = schoolsOf(document);
  const paths = rigPaths(document);
  const judge = remembering(lineSummary);
  const shared = sharedByLines();
  const solved = solvedOrNot(paths, schools, (line) => checkRigLine(document, line.id, judge, undefined, shared)!);
  return { ...rigResultOf(document, schools, paths, solved), feeds: allGroupFeeds(document, judge) };
}

/**
 * One line of a rig with everything about it; undefined if there is none of that id.
 * @param shared what was computed for its other lines
 * @throws CircuitError
 */
export function checkRigLine(
  document: RigDocument,
  id: string,
  judge: Judge = lineSummary,
  kit?: readonly KitItem[],
  shared?: Shared,
): LineResult | undefined {
  const path = rigPath(document, id);
  if (!path) return undefined;
  const result = lineResult(path.line, schoolsOf(document), {
    free: reachable(document, path),
    shared,
    ...(kit && { kit: sparesOf(kit, document) }),
  });
  const { device, inlet } = path.inlet;
  const group = document.devices
    .find((known) => known.id === device)
    ?.groups.find(({ inlets }) => inlets.includes(inlet));
  if (!group) return result;
  const ids = linesOn(document, device, group);
  const options = new Map<string, FeedOption>();
  const option = (feed: FeedName): FeedOption => {
    if (!options.has(feed)) options.set(feed, feedOption(document, device, group, feed, ids, judge));
    return options.get(feed)!;
  };
  const told = (remedy: Remedy): Remedy => {
    const turn = remedy.edits.find((edit) => edit.do === 'choose' && edit.part === 'inlet' && edit.choice === 'feed');
    if (turn?.do !== 'choose') return remedy;
    const others = consequences(option(group.feed), option(turn.value as FeedName), id);
    if (others) return { ...remedy, others };
    // What does nobody else any harm is as good as a switch of one's own.
    return remedy.by === 'shared switch' ? { ...remedy, by: 'setting' } : remedy;
  };
  return {
    ...result,
    findings: result.findings.map((finding) => ({ ...finding, remedies: inOrder(finding.remedies.map(told)) })),
  };
}

/** The free inlets, each with the cable that it takes from where the line's source stands. */
function reachable(document: RigDocument, { source }: RigPath): FreeInlet[] {
  const from = document.lines.find(({ id }) => id === source)?.location;
  return freeInlets(document).map((free) => {
    const to = document.devices.find(({ id }) => id === free.to.device)?.location;
    const run = from && to ? runLength(document, from, to) : undefined;
    return { ...free, ...(run !== undefined && { run }) };
  });
}

/** What becomes of the other lines of a switch: those that get worse, in words. */
function consequences(now: FeedOption, then: FeedOption, id: string): string | undefined {
  const before = new Map(now.lines.map(({ line, verdict }) => [line, verdict]));
  const worse = then.lines.filter(
    ({ line, verdict }) => line !== id && rankOf(verdict) < rankOf(before.get(line) ?? 'Clear'),
  );
  const count = (verdict: Verdict) => worse.filter((line) => line.verdict === verdict).length;
  const lines = (n: number) => (n === 1 ? '1 line' : `${n} lines`);
  const [stop, silent, watch] = [count('Stop'), count('Silent'), count('Watch')];
  const texts = [
    ...(stop ? [`${lines(stop)} ${stop === 1 ? 'goes' : 'go'} to Stop`] : []),
    ...(silent ? [`${lines(silent)} ${silent === 1 ? 'loses' : 'lose'} power or signal`] : []),
    ...(watch ? [`${lines(watch)} ${watch === 1 ? 'goes' : 'go'} to Watch`] : []),
  ];
  return texts.length ? texts.join(', ') : undefined;
}
