import { schoolsOf, type RigDocument, type SwitchGroup } from '../rig/document';
import { rigPaths, rigPathsOf } from '../rig/paths';
import { setFeed } from '../rig/rigEdits';
import type { FeedName } from '../standards/feeds';
import { SEVERITIES, type Finding, type Verdict } from '../check/finding';
import { objects } from './groups';
import { solvedOrNot, type Judge } from './judging';
import { lineSummary } from '../check/result';

/** What a switch would do at one of its settings, line by line. */
export interface FeedOption {
  feed: FeedName;
  /** OK for every line: none is at Stop, and none is Silent but for those that no setting would make work. */
  accepted: boolean;
  lines: FeedVerdict[];
}

interface FeedVerdict {
  line: string;
  name: string;
  verdict: Verdict;
  /** Why it objects, where it does, and the code of that finding. */
  because?: string;
  code?: string;
  /** It objects for one and the same reason at every setting: the switch has nothing to do with it. */
  regardless?: boolean;
  /** It objects at every setting, each time for another reason: it needs something else. */
  everywhere?: boolean;
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
  const said = new Map(ids.map((id) => [id, options.map(({ lines }) => lines.find(({ line }) => line === id))]));
  return options.map(({ feed, lines }) => {
    const told = lines.map((line): FeedVerdict => {
      const all = said.get(line.line) ?? [];
      if (!all.every((each) => each?.because)) return line;
      const same = all.every((each) => each!.code === line.code && each!.verdict === line.verdict);
      return { ...line, ...(same ? { regardless: true } : { everywhere: true }) };
    });
    return { feed, accepted: told.every(accepts), lines: told };
  });
}

/** Whether a line has nothing against a setting; one at Stop always has. */
const accepts = ({ because, verdict, regardless }: FeedVerdict): boolean =>
  !because || (regardless === true && verdict !== 'Stop');

/** Ids of the lines whose signal ends on an inlet of a switch. */
export const linesOn = (document: RigDocument, device: string, group: SwitchGroup): string[] =>
  rigPaths(document)
    .filter(({ inlet }) => inlet.device === device && group.inlets.includes(inlet.inlet))
    .map(({ line }) => line.id);

export interface GroupFeeds {
  device: string;
  group: string;
  options: FeedOption[];
}

/** The settings of every switch of a rig. */
export const allGroupFeeds = (document: RigDocument, judge?: Judge): GroupFeeds[] =>
  document.devices.flatMap(({ id: device, groups }) =>
    groups.map(({ id: group }) => ({ device, group, options: groupFeeds(document, device, group, judge) })),
  );

/** What one setting of a switch does to given lines. */
export function feedOption(
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
    ...(objects(verdict) && { because: worstOf(findings)?.what, code: worstOf(findings)?.code }),
  }));
  return {
    feed,
    accepted: unsolved.length === 0 && told.every(({ verdict }) => !objects(verdict)),
    lines: [
      ...told,
      ...unsolved.map(({ id, name, message }) => ({
        line: id,
        name,
        verdict: 'Stop' as const,
        because: message,
        code: 'unsolved',
      })),
    ],
  };
}

const worstOf = (findings: readonly Finding[]): Finding | undefined =>
  SEVERITIES.map((severity) => findings.find((finding) => finding.severity === severity)).find(Boolean);
