import { linkKind } from '../../gear';
import { finding, nameOf, schoolOf, type Rule } from '../case';

/** One source on the wires of two devices: two loads, two grounds, two switches. */
export const passiveY: Rule = {
  code: 'passive-y',
  judge: (at) =>
    (at.line.branches ?? []).flatMap((branch) => {
      const part = at.line.links[branch.at];
      if (!branch.inlet || !part || linkKind(part.kind).nature !== 'passive Y') return [];
      const same = branch.device !== undefined && branch.device === at.line.device;
      const grounds = [at.line.ground, branch.ground];
      const common = same || grounds.every((ground) => ground === 'floating');
      const allowed = at.schools.twoDesks === 'passive-y' && common;
      return [
        finding({
          code: 'passive-y',
          severity: same || allowed ? 'note' : 'watch',
          part: branch.at,
          what: same ? 'One source on two inlets of one device' : 'Passive Y to two devices',
          why: same
            ? `${nameOf(at.line, branch.at)} joins both inlets: the source has twice the load, and one of the two should feed.`
            : `${nameOf(at.line, branch.at)} joins the shields and both inputs of two devices: a hum loop if both are on mains earth, twice the load, and either switch feeds the source.`,
          ...schoolOf(at, 'twoDesks'),
          look: 'A transformer splitter: one output direct, the other isolated.',
        }),
      ];
    }),
};
