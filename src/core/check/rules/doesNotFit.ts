import { CONNECTORS, linkKind, reader, type Part } from '../../gear';
import { finding, nameOf, type Rule } from '../case';
import { insertLink } from '../remedies';
import { LINKS, type ConnectorId } from '../../gear';
import type { Remedy } from '../finding';

export const doesNotFit: Rule = {
  code: 'does-not-fit',
  judge: (at) =>
    at.circuit.junctions.flatMap(({ plug, socket, fits }, n) => {
      if (fits) return [];
      const before = nameOf(at.line, n === 0 ? 'source' : n - 1);
      const after = nameOf(at.line, n < at.line.links.length ? n : 'inlet');
      return [
        finding({
          code: 'does-not-fit',
          severity: 'silent',
          part: n < at.line.links.length ? n : 'inlet',
          what: 'Two connectors do not go together',
          why: `${before} ends in a ${CONNECTORS[plug].label} plug, ${after} has a ${CONNECTORS[socket].label} socket: nothing passes.`,
          remedies: between(plug, socket, n),
          basis: 'connector families',
        }),
      ];
    }),
};

/** Every single link that has the right connector at both ends. */
function between(plug: ConnectorId, socket: ConnectorId, at: number): Remedy[] {
  const candidates: Part[] = LINKS.filter(({ kind }) => kind !== 'cable').flatMap(({ kind, choices }) =>
    choices.wiring ? choices.wiring.options.map(({ value }) => ({ kind, choices: { wiring: value } })) : [{ kind }],
  );
  return candidates
    .filter((part) => {
      const { input, output } = linkKind(part.kind).ends(reader(linkKind(part.kind), part));
      return (
        output === socket &&
        CONNECTORS[input].size === CONNECTORS[plug].size &&
        CONNECTORS[input].contacts.length >= CONNECTORS[plug].contacts.length
      );
    })
    .map((part) => {
      const wiring = linkKind(part.kind).choices.wiring?.options.find(
        ({ value }) => value === part.choices?.wiring,
      )?.label;
      return insertLink(`Insert: ${linkKind(part.kind).label.toLowerCase()}`, at, part, wiring);
    });
}
