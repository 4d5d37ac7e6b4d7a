import { lineResult, type Finding, type LineResult } from '@/core/check';
import { DEFAULT_SCHOOLS, type Schools } from '@/core/schools';
import { checkLine } from '@/core/check/check';
import type { CheckOptions } from '@/core/check/options';
import type { Checked } from '@/core/check/checked';
import { inletKind, type Fault, type Line, type Part, type PathLink } from '@/core/gear';
import { emptyRig, type Device, type RigDocument } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';

/** Short words for lines in tests. */
export const line = (source: Part | string, links: PathLink[], inlet: Part): Line => ({
  id: 'line',
  name: 'line',
  source: typeof source === 'string' ? { kind: source } : source,
  links,
  inlet,
});
export const cable = (...faults: Fault[]): Part => ({ kind: 'cable', ...(faults.length && { faults }) });
export const testedCable: Part = { kind: 'cable', choices: { tested: 'yes' } };
export const on = (feed: string): Part => ({ kind: 'three-pin', choices: { feed } });

export const judged = (asked: Line, schools: Partial<Schools> = {}): LineResult =>
  lineResult(asked, { ...DEFAULT_SCHOOLS, ...schools });
/** The same without what happens while plugs go in: a hundred times as fast. */
export const checked = (asked: Line, schools: Partial<Schools> = {}, around: CheckOptions = {}): Checked =>
  checkLine(asked, { ...DEFAULT_SCHOOLS, ...schools }, around);
type Told = Pick<Checked, 'findings'>;
export const codes = ({ findings }: Told): string[] => findings.map(({ code }) => code);
export function find(result: Told, code: string): Finding {
  const found = result.findings.find((finding) => finding.code === code);
  if (!found) throw new Error(`no ${code} among ${codes(result).join(', ') || 'no findings'}`);
  return found;
}
/** The first number of a finding whose label holds a text. */
export const number = (finding: Finding, label: string): number => {
  const found = finding.numbers.find((entry) => entry.label.includes(label));
  if (!found) throw new Error(`no number “${label}” among ${finding.numbers.map((entry) => entry.label).join(', ')}`);
  return found.value;
};

/** A device of its own for one inlet, with a switch that offers whatever its kind can feed. */
const deviceFor = ({ inlet }: Line): Device => {
  const { feed, ...choices } = inlet.choices ?? {};
  const feeds = (inletKind(inlet.kind).choices.feed?.options ?? []).map(({ value }) => value as FeedName);
  const offers = feeds.filter((name): name is Exclude<FeedName, 'off'> => name !== 'off');
  return {
    id: 'device',
    name: 'device',
    inlets: [{ ...inlet, id: '1', choices }],
    groups: offers.length
      ? [{ id: 'switch', name: 'switch', inlets: ['1'], offers, feed: (feed as FeedName) ?? feeds[0] }]
      : [],
  };
};

/** A rig of that one line. */
export const rigOf = (only: Line): RigDocument => ({
  ...emptyRig('any'),
  devices: [deviceFor(only)],
  lines: [
    { id: only.id, name: only.name, source: only.source, links: only.links, inlet: { device: 'device', inlet: '1' } },
  ],
});

/** A device of three-pin inlets, all on one switch. */
export const desk = (inlets: number, feed: FeedName, more: Partial<Device> = {}): Device => ({
  id: 'desk',
  name: 'Desk',
  inlets: Array.from({ length: inlets }, (_, n) => ({ id: String(n + 1), kind: 'three-pin' })),
  groups: [
    {
      id: 'all',
      name: 'all inlets',
      inlets: Array.from({ length: inlets }, (_, n) => String(n + 1)),
      offers: ['P12', 'P24', 'P48'],
      feed,
    },
  ],
  ...more,
});
