import { linkKind, sourceKind, type Branch, type ChoiceSpec, type Line, type Part } from '../gear';
import type { RigPath } from '../rig/paths';

/** Settings of a part that are turned on the spot, and what is only known better: neither is a plug. */
function physical({ kind, item, choices = {}, faults }: Part, spec: Record<string, ChoiceSpec>): unknown {
  const built = Object.entries(choices).filter(
    ([name]) => name !== 'tested' && !spec[name]?.setting && !spec[name]?.question,
  );
  return [kind, item, built.sort(([a], [b]) => (a < b ? -1 : 1)), faults];
}

/** Whatever is plugged or wired on a line and on everything that hangs on its conductors. */
export function wayOf({ source, links, branches }: Line, inlet: RigPath['inlet']): string {
  const linksOf = (parts: Line['links']) =>
    parts.map((part) => [physical(part, linkKind(part.kind).choices), part.entry, part.exit]);
  const branchOf = (branch: Branch): unknown => [
    branch.line,
    branch.at,
    branch.port,
    branch.source && physical(branch.source, sourceKind(branch.source.kind).choices),
    linksOf(branch.links),
    branch.inlet && [branch.device, branch.inlet.kind, branch.inlet.name],
    (branch.branches ?? []).map(branchOf),
  ];
  return JSON.stringify([
    physical(source, sourceKind(source.kind).choices),
    linksOf(links),
    [inlet.device, inlet.inlet],
    (branches ?? []).map(branchOf),
  ]);
}
