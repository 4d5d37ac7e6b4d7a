import { lineSummary } from '../check/result';
import type { Verdict } from '../check/finding';
import { CircuitError } from '../circuit';
import type { Line } from '../gear';
import { groupOf, schoolsOf, type RigDocument } from '../rig/document';
import { rigPaths } from '../rig/paths';
import { blamesFeed } from '../rigcheck/groups';

/** What has to be known of a line before anything is looked at. */
export interface Situation {
  /** Nothing has to be broken: as it is wired, with good cables, it is wrong. */
  asWired?: { verdict: Verdict; what: string };
  /** Names of lines that the feed of its switch harms, itself among them: it must not be turned on while they are in. */
  harmed: string[];
}

/** A line with good cables, whatever the drawing says is wrong with them. */
const good = (line: Line): Line => ({ ...line, links: line.links.map(({ faults: _faults, ...part }) => part) });

/** What the rig says of a line and of the others on its switch; nothing where there is no such line. */
export function situationOf(document: RigDocument, id: string): Situation | undefined {
  const paths = rigPaths(document);
  const path = paths.find(({ line }) => line.id === id);
  if (!path) return undefined;
  const schools = schoolsOf(document);
  const judged = (line: Line) => {
    try {
      return lineSummary(good(line), schools);
    } catch (error) {
      if (error instanceof CircuitError) return undefined;
      throw error;
    }
  };
  const device = document.devices.find((each) => each.id === path.inlet.device);
  const group = device && groupOf(device, path.inlet.inlet);
  const beside = group
    ? paths.filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet))
    : [path];
  const harmed = beside.filter(({ line }) =>
    judged(line)?.findings.some((finding) => finding.severity === 'harm' && blamesFeed(finding)),
  );
  const own = judged(path.line);
  return {
    ...(own && (own.verdict === 'Stop' || own.verdict === 'Silent')
      ? { asWired: { verdict: own.verdict, what: own.findings[0].what } }
      : {}),
    harmed: harmed.map(({ line }) => line.name),
  };
}
