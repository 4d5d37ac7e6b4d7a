import { CONNECTORS } from '../../gear';
import { finding, nameOf, type Rule } from '../case';

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
          what: 'Plug and socket don’t fit',
          why: `${before} has ${article(CONNECTORS[plug].label)} plug, ${after} ${article(CONNECTORS[socket].label)} socket.`,
          basis: 'connector families',
          look: 'Two adapters in a row, or another inlet.',
        }),
      ];
    }),
};

const article = (label: string): string =>
  `${/^(XLR|RCA|mini)/.test(label) ? (label.startsWith('m') ? 'a' : 'an') : 'a'} ${label}`;
