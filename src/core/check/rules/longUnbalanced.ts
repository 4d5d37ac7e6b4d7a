import { linkKind } from '../../gear';
import { faulty, finding, quantity, readPart, type Case, type Rule } from '../case';
import type { Edit } from '../../rig/edits';
import type { Remedy } from '../finding';
import { insertLink } from '../remedies';

/** Longest unbalanced run on top of the fixed lead (common practice). */
const LONGEST = 3;
/** One leg of a balanced cable counts as tied to the shield below this share of the other's impedance. */
const TIED = 0.05;

/** Whether the cable at a position carries an unbalanced signal, judged at its inlet end. */
function unbalanced(at: Case, link: number): boolean {
  const { plug } = at.circuit.junctions[link + 1];
  if (plug !== 'xlr3' && plug !== 'trs635') return true;
  const [hot, cold] = (plug === 'xlr3' ? ['2', '3'] : ['T', 'R']).map((contact) =>
    at.signal.impedance(link + 1, contact),
  );
  return Math.min(hot, cold) < TIED * Math.max(hot, cold) && Math.min(hot, cold) < 30;
}

export const longUnbalanced: Rule = {
  code: 'long-unbalanced',
  judge(at) {
    const runs = at.line.links.flatMap((part, n) =>
      linkKind(part.kind).nature === 'cable' && unbalanced(at, n)
        ? [{ n, metres: readPart(at.line, n).value('length') }]
        : [],
    );
    const metres = runs.reduce((sum, run) => sum + run.metres, 0);
    if (metres <= LONGEST || faulty(at.line).length > 0) return [];
    return [
      finding({
        code: 'long-unbalanced',
        severity: 'watch',
        part: runs[0].n,
        what: `${quantity(metres, 'm')} run unbalanced`,
        why: 'Hum and radio get in along an unbalanced lead, and its capacitance dulls a pickup; keep it short and go balanced as near to the source as possible.',
        numbers: [
          {
            label: 'Unbalanced run',
            value: metres,
            unit: 'm',
            limit: { label: 'Longest advisable', value: LONGEST, basis: 'common practice' },
          },
        ],
        remedies: shorten(at, runs[0].n),
        basis: 'common practice: about 3 m on top of the fixed lead',
      }),
    ];
  },
};

function shorten(at: Case, n: number): Remedy[] {
  const short: Remedy = {
    label: 'Use a lead of 3 m',
    edits: [{ do: 'set figure', part: n, figure: 'length', to: { value: LONGEST, unit: 'm', basis: 'measured' } }],
  };
  const adapter = at.line.links.findIndex((part) => part.choices?.wiring === 'ts-to-xlr');
  if (adapter < n) return [short];
  // The box goes to the source, and what was an instrument lead becomes a microphone cable.
  const cables = at.line.links.flatMap((part, k): Edit[] =>
    k >= n && k < adapter && part.kind === 'cable'
      ? [{ do: 'choose', part: k + 1, choice: 'connector', value: 'xlr3' }]
      : [],
  );
  const box = insertLink(
    'Put a passive direct box at the source',
    n,
    { kind: 'passive-direct-box' },
    'microphone cable from there on',
  );
  return [short, { ...box, edits: [...box.edits, ...cables, { do: 'remove', at: adapter + 1 }] }];
}
