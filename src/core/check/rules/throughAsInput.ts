import { kindAt, sourceKind } from '../../gear';
import { ratio, fromDbu } from '../../units';
import { finding, heldAgainst, quantity, readPart, type Case, type Rule } from '../case';
import { levelPlan } from '../../level/plan';
import type { Remedy } from '../finding';

/** Peak current between the two outputs when they happen to play opposite to each other, in amperes. */
function fight(at: Case, other: number): number {
  const { from, levelUnit } = {
    from: sourceKind(at.line.source.kind).level,
    levelUnit: sourceKind(at.line.source.kind).figures.outputLevel?.unit,
  };
  const open = fromDbu(
    levelPlan({ from, levelUnit, read: readPart(at.line, 'source') }, readPart(at.line, 'inlet'), 1, 0).source,
  );
  // The box's own input hardly counts beside two outputs: what the source sees is the other output.
  const through = (open * ratio(at.signal.atSource)) / other;
  return 2 * Math.SQRT2 * through;
}

export const throughAsInput: Rule = {
  code: 'through-as-input',
  judge: (at) =>
    at.line.links.flatMap((part, n) => {
      if (!kindAt(n, part.kind).choices.through || readPart(at.line, n).choice('through') !== 'driven') return [];
      const other = readPart(at.line, n).value('throughResistance');
      const amps = fight(at, other);
      const output = at.circuit.stakes.find((stake) => stake.type === 'output');
      const limit = output?.type === 'output' ? output.limit : undefined;
      const over = limit !== undefined && amps > limit.value;
      return [
        finding({
          code: 'through-as-input',
          severity: over ? 'harm' : 'watch',
          part: n,
          what: 'The link-through socket is used as a second input',
          why:
            `It is the same wire as the input, so the two outputs drive into each other: up to ${quantity(amps, 'A')} when they play opposite, ` +
            `${quantity(-at.signal.atSource, 'dB')} lost, and left and right come out as one muddle.`,
          numbers: [
            {
              label: 'Peak current between the two outputs',
              value: amps,
              unit: 'A',
              ...(limit && { limit: heldAgainst(limit) }),
            },
            { label: 'Level lost at the source', value: at.signal.atSource, unit: 'dB' },
          ],
          remedies: free(n),
          basis: 'the computed response at 1 kHz, both outputs at their peak level',
        }),
      ];
    }),
};

const free = (n: number): Remedy[] => [
  {
    label: 'Give the other output a box of its own',
    note: 'a stereo direct box has two',
    edits: [{ do: 'choose', part: n, choice: 'through', value: 'free' }],
  },
];
