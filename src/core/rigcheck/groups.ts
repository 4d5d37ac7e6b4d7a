import { BASIS_LABELS } from '../gear';
import type { Device, RigDocument, SwitchGroup } from '../rig/document';
import type { RigPath } from '../rig/paths';
import type { FeedName } from '../standards/feeds';
import type { Amps } from '../units';
import { quantity } from '../units/format';
import { VERDICT_ORDER, verdictOf, type Finding, type Verdict } from '../check/finding';
import type { LineResult } from '../check/result';

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
  /** Those of them for which the feed as it is set is wrong: what is dead for another reason does not blame the switch. */
  objecting: string[];
  /** What its feed gives to all its lines together. */
  amps: Amps;
}

/** Whether a verdict speaks against the feed as it is: Stop or Silent. */
export const objects = (verdict: Verdict | undefined): boolean => verdict === 'Stop' || verdict === 'Silent';

/** Findings that another setting of the switch may take away. */
const OF_THE_FEED = new Set([
  'unpowered',
  'ribbon-fed',
  'element-direct-current',
  'capsule-overvoltage',
  'supply-overvoltage',
  'output-backfeed',
  'exposed-patch',
  'feed-overload',
]);
/** Whether a finding speaks against the feed as it is set. */
export const blamesFeed = ({ code, severity }: Finding): boolean =>
  (severity === 'harm' || severity === 'silent') && OF_THE_FEED.has(code);

const linesOf = (paths: readonly RigPath[], device: Device, group: SwitchGroup): RigPath[] =>
  paths.filter(({ inlet }) => inlet.device === device.id && group.inlets.includes(inlet.inlet));

/** Every switch of a rig, from the results of its lines. */
export function groupResults(document: RigDocument, paths: readonly RigPath[], lines: LineResult[]): GroupResult[] {
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
        objecting: own.filter((id) => results.get(id)?.findings.some(blamesFeed)),
        amps,
      };
    });
  });
}

/** Above this share of its limit a device's feed is in danger, not only out of its figures. */
const DANGEROUS = 1.5;

/** What the feeds of a device give together, held against its limit. */
function deviceFindings(device: Device, groups: { group: SwitchGroup; amps: Amps }[]): GroupFinding[] {
  const { feedLimit } = device;
  if (!feedLimit) return [];
  const limit = feedLimit.value / 1e3;
  const sum = groups.reduce((total, { amps }) => total + amps, 0);
  if (sum <= limit) return [];
  const switches = groups.filter(({ amps }) => amps > 0).length;
  return [
    {
      code: 'feed-overload',
      severity: sum > DANGEROUS * limit ? 'harm' : 'watch',
      what: `${device.name}: total phantom current over its limit`,
      why: `${quantity(sum, 'A')} over ${switches === 1 ? '1 switch' : `${switches} switches`}; it can give ${quantity(limit, 'A')}. The feed may sag on every inlet.`,
      numbers: [
        {
          label: 'Feed current of the device',
          value: sum,
          unit: 'A',
          limit: { label: 'Limit of the device', value: limit, basis: feedLimit.basis, where: feedLimit.where },
        },
      ],
      basis: `calculation; limit: ${BASIS_LABELS[feedLimit.basis]}`,
      remedies: groups
        .filter(({ amps }) => amps > 0 && sum - amps <= limit)
        .map(({ group, amps }) => ({
          label: `Try ${group.name} off`,
          note: `${quantity(amps, 'A')} less`,
          device: device.id,
          group: group.id,
          feed: 'off',
        })),
    },
  ];
}
