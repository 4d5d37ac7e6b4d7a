import { endsInLink, startsAtLink, withEnds, type RigDocument, type RigLine, type Socket } from './document';
import { tidied } from './places';

/** Takes lines and devices out of a rig without breaking what hung on them. */

/** Takes a line out. The first line that ran over one of its links takes those parts over; others follow it. */
export function removeLine(document: RigDocument, id: string): RigDocument {
  const line = document.lines.find((other) => other.id === id);
  if (!line) return document;
  const heir = document.lines.find(
    (other) =>
      (startsAtLink(other) && other.source.from.line === id) || (endsInLink(other) && other.inlet.into.line === id),
  );
  if (!heir) return tidied({ ...document, lines: document.lines.filter((other) => other.id !== id) });
  const taken = heirOf(line, heir);
  const lines = document.lines
    .filter((other) => other.id !== id)
    .map((other) => (other.id === heir.id ? taken : rehung(other, id, heir.id)));
  // What hung on the part of the line that is gone now goes with it.
  const kept = lines.filter((other) =>
    sockets(other).every(({ line: host, link }) =>
      lines.some((own) => own.id === host && own.links.some((part) => part.id === link)),
    ),
  );
  return tidied({ ...document, lines: kept });
}

/** Takes a device out, with every line that ends in it. A line that only ran over one of them stays if it ends elsewhere. */
export function withoutDevice(document: RigDocument, id: string): RigDocument {
  const line = document.lines.find((other) => !endsInLink(other) && other.inlet.device === id);
  if (line) return withoutDevice(removeLine(document, line.id), id);
  return tidied({ ...document, devices: document.devices.filter((device) => device.id !== id) });
}

const sockets = (line: RigLine): Socket[] => [
  ...(startsAtLink(line) ? [line.source.from] : []),
  ...(endsInLink(line) ? [line.inlet.into] : []),
];

/** A line that ran over another one's links, with those links as its own. */
function heirOf(line: RigLine, heir: RigLine): RigLine {
  if (startsAtLink(heir) && heir.source.from.line === line.id) {
    const at = line.links.findIndex(({ id }) => id === heir.source.from.link);
    return withEnds({ ...heir, links: [...line.links.slice(0, at), ...heir.links] }, { source: line.source });
  }
  const at = line.links.findIndex(({ id }) => endsInLink(heir) && id === heir.inlet.into.link);
  return withEnds({ ...heir, links: [...heir.links, ...line.links.slice(at)] }, { inlet: line.inlet });
}

function rehung(line: RigLine, from: string, to: string): RigLine {
  return withEnds(line, {
    ...(startsAtLink(line) &&
      line.source.from.line === from && { source: { from: { ...line.source.from, line: to } } }),
    ...(endsInLink(line) && line.inlet.into.line === from && { inlet: { into: { ...line.inlet.into, line: to } } }),
  });
}
