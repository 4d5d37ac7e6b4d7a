import { CONNECTORS, isCable, isPlainAdapter, linkKind, mate, mending } from '../gear';
import type { Edit } from '../gear/edits';
import { lengthText } from '../units/format';
import { isShared, nameOf, readPart, type Case } from './case';
import type { Remedy } from './finding';
import { fromKit, otherCable } from './kitParts';

/** Longest lead that is offered in place of another, in metres (common practice: unbalanced leads). */
const SHORT = 3;

/** What could be laid otherwise: straight through instead of over other plugs, a box nearer to the source, a shorter lead. */
export const rewirings = (at: Case): Remedy[] => [...straight(at), ...boxAtSource(at), ...shorter(at)];

/** A cable between two adapters that lead back to the same connector: one cable of that sort does without both. */
function straight(at: Case): Remedy[] {
  const { links } = at.line;
  return links.flatMap((part, n): Remedy[] => {
    const [before, after] = [links[n - 1], links[n + 1]];
    if (!isCable(part) || !before || !after) return [];
    if (![before, after].every(isPlainAdapter)) return [];
    const { input } = at.circuit.links[n - 1];
    if (input !== at.circuit.links[n + 1].output || !mate(input, input)) return [];
    return [
      {
        by: 'take out',
        label: `Run one ${CONNECTORS[input].label} cable straight through`,
        note: `without ${nameOf(at.line, n - 1)} and ${nameOf(at.line, n + 1)}`,
        edits: [otherCable(part, n, input), { do: 'remove', at: n + 1 }, { do: 'remove', at: n - 1 }],
      },
    ];
  });
}

/** A direct box at the end of an instrument lead goes to its beginning; the lead becomes microphone cable. */
function boxAtSource(at: Case): Remedy[] {
  const { links } = at.line;
  const lead = links.findIndex((part) => isCable(part) && part.choices?.connector === 'ts635');
  if (lead < 0) return [];
  const laid = (upTo: number, offset: number): Edit[] =>
    links.flatMap((part, n) => (n >= lead && n < upTo && isCable(part) ? [otherCable(part, n + offset, 'xlr3')] : []));
  const box = links.findIndex(({ kind }, n) => n > lead && linkKind(kind).directBox);
  // A box that others are plugged into stays where it is.
  if (box >= 0 && !isShared(at.line, box))
    return [
      {
        by: 'take out',
        label: `Put ${nameOf(at.line, box)} at the player's end`,
        note: 'microphone cable from there on',
        edits: [{ do: 'insert', at: lead, part: links[box] }, { do: 'remove', at: box + 1 }, ...laid(box, 1)],
      },
    ];
  const adapter = links.findIndex((part) => isPlainAdapter(part) && part.choices?.wiring === 'ts-to-xlr');
  if (adapter < lead || box >= 0) return [];
  const found = fromKit(at, mending('passive box'));
  return [
    {
      by: 'add',
      label: `Put ${found.name} at the source`,
      note: ['microphone cable from there on', found.note].filter(Boolean).join(', '),
      ...(found.owned !== undefined && { owned: found.owned }),
      edits: [{ do: 'insert', at: lead, part: found.part }, ...laid(adapter, 1), { do: 'remove', at: adapter + 1 }],
    },
  ];
}

/** A shorter lead, where the rig says that it reaches. */
function shorter(at: Case): Remedy[] {
  const { run, links } = at.line;
  if (run === undefined || run > SHORT) return [];
  return links.flatMap((part, n): Remedy[] =>
    isCable(part) && readPart(at.line, n).value('length') > SHORT
      ? [
          {
            by: 'cable',
            label: `Use a lead of ${lengthText(SHORT)}`,
            edits: [
              { do: 'set figure', part: n, figure: 'length', to: { value: SHORT, unit: 'm', basis: 'measured' } },
            ],
          },
        ]
      : [],
  );
}
