import { finding, type Rule } from '@/core/check/case';

/** So many plugs in one line are as many places where it can come apart (an example's figure). */
const MOST = 5;

/** A finding: a line of very many parts. */
export const manyLinks: Rule = {
  code: 'many-links',
  judge: ({ line }) =>
    line.links.length <= MOST
      ? []
      : [
          finding({
            code: 'many-links',
            severity: 'note',
            part: 0,
            what: `${line.links.length} parts between source and inlet`,
            why: 'Every plug can come apart. Use longer cables where you have them.',
            numbers: [],
            basis: `typical: up to ${MOST}`,
            look: 'Fewer, longer cables.',
          }),
        ],
};
