import { CircuitError } from '../circuit';
import type { Line } from '../gear';
import { schoolsOf, type Device, type RigDocument, type SwitchGroup } from '../rig/document';
import { rigPath, rigPaths, rigPathsOf, type RigPath } from '../rig/paths';
import { freeInlets, setFeed } from '../rig/rigEdits';
import { sections } from '../rig/sections';
import type { FeedName } from '../standards/feeds';
import type { Amps } from '../units';
import { quantity } from '../units/format';
import { SEVERITIES, VERDICT_ORDER, verdictOf, type Finding, type Remedy, type Verdict } from './finding';
import { lineResult, lineSummary, type LineResult } from './result';
import type { Schools } from './schools';

/** A statement about a switch group or its device; remedies turn switches. */
export type GroupFinding = Omit<Finding, 'part' | 'remedies' | 'answers'> & {
  remedies: { label: string; note?: string; device: string; group: string; feed: FeedName }[];
};

/** One switch with everything it reaches. */
export interface GroupResult {
  device: string;
  group: string;
  feed: FeedName;
  /** The worst of its lines and of its own findings. */
  verdict: Verdict;
  findings: GroupFinding[];
  /** Lines whose signal ends on one of its inlets, in the document's order. */
  lines: string[];
  /** Those of them that are Stop or Silent now. */
  objecting: string[];
  /** What its feed gives to all its lines together. */
  amps: Amps;
}

/** What a switch would do at one of its settings, line by line. */
export interface FeedOption {
  feed: FeedName;
  /** Every line accepts it: none is Stop or Silent, but for those that are so at every setting. */
  accepted: boolean;
  lines: FeedVerdict[];
}

interface FeedVerdict {
  line: string;
  name: string;
  verdict: Verdict;
  /** Why it objects, where it does. */
  because?: string;
  /** It objects at every setting: something else is wrong with it. */
  regardless?: boolean;
}

/** The result of checking a rig, ready for JSON. */
export interface RigResult {
  format: 'inlet-check-result';
  version: 2;
  name: string;
  schools: Schools;
  lines: LineResult[];
  /** Lines whose circuit has no single answer, and why. */
  unsolved: { id: string; name: string; message: string }[];
  groups: GroupResult[];
}

type Judge = (line: Line, schools: Schools) => LineResult;

function solvedOrNot(paths: readonly RigPath[], schools: Schools, judge: Judge) {
  const lines: LineResult[] = [];
  const unsolved: RigResult['unsolved'] = [];
  for (const { line } of paths)
    try {
      lines.push(judge(line, schools));
    } catch (error) {
      if (!(error instanceof CircuitError)) throw error;
      unsolved.push({ id: line.id, name: line.name, message: error.message });
    }
  return { lines, unsolved };
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

/** The line to look at first: of those with the worst verdict the first under its switch. */
export function worstLine(document: RigDocument): string | undefined {
  const verdicts = new Map(checkRig(document).lines.map(({ id, verdict }) => [id, verdict]));
  const order = sections(document).flatMap(({ lines }) => lines.map(({ line }) => line.id));
  return VERDICT_ORDER.map((verdict) => order.find((id) => verdicts.get(id) === verdict)).find(Boolean);
}

/** The same with everything about every line: remedies, answers, the course over time. Takes a hundred times as long. */
export function fullRigResult(document: RigDocument): RigResult & { feeds: GroupFeeds[] } {
  const schools = schoolsOf(document);
  const paths = rigPaths(document);
  const solved = solvedOrNot(paths, schools, (line) => checkRigLine(document, line.id)!);
  return { ...rigResultOf(document, schools, paths, solved), feeds: allGroupFeeds(document) };
}

/** One line of a rig with everything about it; undefined if there is none of that id. @throws CircuitError */
export function checkRigLine(document: RigDocument, id: string, judge: Judge = lineSummary): LineResult | undefined {
  const path = rigPath(document, id);
  if (!path) return undefined;
  const result = lineResult(path.line, schoolsOf(document), { free: freeInlets(document) });
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
    return others ? { ...remedy, others } : remedy;
  };
  return {
    ...result,
    findings: result.findings.map((finding) => ({ ...finding, remedies: kindest(finding.remedies.map(told)) })),
  };
}

/** The best for this line first; of equals, those that leave the other lines alone. */
const kindest = (remedies: Remedy[]): Remedy[] =>
  remedies.toSorted(
    (a, b) => rank(b.gives!) - rank(a.gives!) || Number(a.others !== undefined) - Number(b.others !== undefined),
  );

const rank = (verdict: Verdict) => VERDICT_ORDER.indexOf(verdict);

/** What becomes of the other lines of a switch: those that get worse, in words. */
function consequences(now: FeedOption, then: FeedOption, id: string): string | undefined {
  const before = new Map(now.lines.map(({ line, verdict }) => [line, verdict]));
  const worse = then.lines.filter(
    ({ line, verdict }) => line !== id && rank(verdict) < rank(before.get(line) ?? 'Clear'),
  );
  const count = (verdict: Verdict) => worse.filter((line) => line.verdict === verdict).length;
  const lines = (n: number) => (n === 1 ? '1 line' : `${n} lines`);
  const [stop, silent, watch] = [count('Stop'), count('Silent'), count('Watch')];
  const texts = [
    ...(stop ? [`puts ${lines(stop)} at Stop`] : []),
    ...(silent ? [`${lines(silent)} ${silent === 1 ? 'falls' : 'fall'} silent`] : []),
    ...(watch ? [`${lines(watch)} to watch`] : []),
  ];
  return texts.length ? texts.join(', ') : undefined;
}

const linesOf = (paths: readonly RigPath[], device: Device, group: SwitchGroup): RigPath[] =>
  paths.filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet));

function groupResults(document: RigDocument, paths: readonly RigPath[], lines: LineResult[]): GroupResult[] {
  const results = new Map(lines.map((line) => [line.id, line]));
  return document.devices.flatMap((device) => {
    const groups = device.groups.map((group) => {
      const own = linesOf(paths, device, group);
      // Lines that meet before one inlet are fed by it once.
      const byInlet = new Map<string, Amps>();
      for (const { line, inlet } of own) {
        const feed = results.get(line.id)?.readings.feeds.find(({ part }) => part === 'inlet');
        if (feed) byInlet.set(inlet.inlet, Math.max(byInlet.get(inlet.inlet) ?? 0, feed.amps));
      }
      const amps = [...byInlet.values()].reduce((sum, each) => sum + each, 0);
      return { group, own: own.map(({ line }) => line.id), amps };
    });
    const findings = deviceFindings(device, groups);
    return groups.map(({ group, own, amps }): GroupResult => {
      const verdicts = own.flatMap((id) => results.get(id)?.verdict ?? []);
      const mine = group.feed === 'off' ? [] : findings;
      const worst = VERDICT_ORDER.find((verdict) => [...verdicts, verdictOf(mine)].includes(verdict));
      return {
        device: device.id,
        group: group.id,
        feed: group.feed,
        verdict: worst ?? 'Clear',
        findings: mine,
        lines: own,
        objecting: own.filter((id) => objects(results.get(id)?.verdict)),
        amps,
      };
    });
  });
}

const objects = (verdict: Verdict | undefined): boolean => verdict === 'Stop' || verdict === 'Silent';

/** Above this share of its limit a device's feed is in danger, not only out of its figures. */
const DANGEROUS = 1.5;

/** What the feeds of a device give together, held against its limit. */
function deviceFindings(device: Device, groups: { group: SwitchGroup; amps: Amps }[]): GroupFinding[] {
  const { feedLimit } = device;
  if (!feedLimit) return [];
  const limit = feedLimit.value / 1e3;
  const sum = groups.reduce((total, { amps }) => total + amps, 0);
  if (sum <= limit) return [];
  return [
    {
      code: 'feed-overload',
      severity: sum > DANGEROUS * limit ? 'harm' : 'watch',
      what: `All feeds of ${device.name} together give more than it should`,
      why: `${quantity(sum, 'A')} are drawn over ${groups.filter(({ amps }) => amps > 0).length} switches; ${device.name} has ${quantity(limit, 'A')} for all of them. Its feed may sag on every inlet.`,
      numbers: [
        {
          label: 'Feed current of the device',
          value: sum,
          unit: 'A',
          limit: { label: 'Most for the device', value: limit, basis: feedLimit.basis, where: feedLimit.where },
        },
      ],
      basis: `computation; most current: ${feedLimit.basis}`,
      remedies: groups
        .filter(({ amps }) => amps > 0 && sum - amps <= limit)
        .map(({ group, amps }) => ({
          label: `Turn ${group.name} off`,
          note: `${quantity(amps, 'A')} less`,
          device: device.id,
          group: group.id,
          feed: 'off',
        })),
    },
  ];
}

/** Every setting of a switch and what each of its lines says to it. */
export function groupFeeds(
  document: RigDocument,
  device: string,
  group: string,
  judge: Judge = lineSummary,
): FeedOption[] {
  const found = document.devices.find(({ id }) => id === device)?.groups.find(({ id }) => id === group);
  if (!found) return [];
  const ids = linesOn(document, device, found);
  const options = (['off', ...found.offers] as FeedName[]).map((feed) =>
    feedOption(document, device, found, feed, ids, judge),
  );
  const always = new Set(
    ids.filter((id) => options.every(({ lines }) => lines.some((line) => line.line === id && line.because))),
  );
  return options.map(({ feed, lines }) => {
    const told = lines.map((line) => (always.has(line.line) ? { ...line, regardless: true } : line));
    return { feed, accepted: told.every(({ because, regardless }) => !because || regardless), lines: told };
  });
}

/** Ids of the lines whose signal ends on an inlet of a switch. */
const linesOn = (document: RigDocument, device: string, group: SwitchGroup): string[] =>
  rigPaths(document)
    .filter(({ inlet }) => inlet.device === device && group.inlets.includes(inlet.inlet))
    .map(({ line }) => line.id);

export interface GroupFeeds {
  device: string;
  group: string;
  options: FeedOption[];
}

/** The settings of every switch of a rig. */
export const allGroupFeeds = (document: RigDocument): GroupFeeds[] =>
  document.devices.flatMap(({ id: device, groups }) =>
    groups.map(({ id: group }) => ({ device, group, options: groupFeeds(document, device, group) })),
  );

function feedOption(
  document: RigDocument,
  device: string,
  group: SwitchGroup,
  feed: FeedName,
  ids: readonly string[],
  judge: Judge,
): FeedOption {
  const turned = setFeed(document, device, group.id, feed);
  const { lines, unsolved } = solvedOrNot(rigPathsOf(turned, ids), schoolsOf(document), judge);
  const told = lines.map(({ id, name, verdict, findings }) => ({
    line: id,
    name,
    verdict,
    ...(objects(verdict) && { because: worstOf(findings)?.what }),
  }));
  return {
    feed,
    accepted: unsolved.length === 0 && told.every(({ verdict }) => !objects(verdict)),
    lines: [
      ...told,
      ...unsolved.map(({ id, name, message }) => ({ line: id, name, verdict: 'Stop' as const, because: message })),
    ],
  };
}

const worstOf = (findings: readonly Finding[]): Finding | undefined =>
  SEVERITIES.map((severity) => findings.find((finding) => finding.severity === severity)).find(Boolean);
