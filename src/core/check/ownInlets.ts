import { inletKind, linkKind, mate, reader } from '../gear';
import { nameOf, type Case } from './case';
import type { Remedy } from './finding';
import { meetings } from './rules/outputsMeet';

/** Most devices whose free inlets are offered to a source that shares one. */
const OWN_INLETS = 3;

/** Each of two sources on the same wires gets an inlet of its own: a Y-lead and a splitter used backwards go. */
export function ownInlets(at: Case): Remedy[] {
  return meetings(at.line).flatMap(({ at: n, other, thru }): Remedy[] => {
    if (thru) return [];
    const part = at.line.links[n];
    const kind = linkKind(part.kind);
    // Seen from the line that came in at the side, that line moves; seen from the other one, its guest does.
    const guest = part.entry ? at.line.id : other.line;
    const port = part.entry ?? other.port;
    const plug = kind.ports?.(reader(kind, part))[port]?.connector;
    if (!plug) return [];
    return at.free
      .filter(({ inlet }) => inletKind(inlet.kind).sockets.some((socket) => mate(plug, socket)))
      .filter((free, k, all) => all.findIndex(({ to }) => to.device === free.to.device) === k)
      .slice(0, OWN_INLETS)
      .map((free) => ({
        by: 'take out',
        label: `Move “${guest === at.line.id ? at.line.name : other.name}” to ${free.inlet.name ?? 'a free inlet'}`,
        note: `without ${nameOf(at.line, n)}`,
        edits: [{ do: 'separate', at: n, line: guest, ...free }],
      }));
  });
}
