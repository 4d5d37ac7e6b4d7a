import { linkKind, reader, type Part } from '../gear';
import { endsInLink, startsAtLink, withEnds, type RigDocument, type RigLine, type Socket } from './document';
import { freeId } from './rigEdits';

/** A further socket of a link that nothing is plugged into. */
export interface FreeSocket {
  line: string;
  lineName: string;
  /** Position of the link on that line. */
  at: number;
  linkName: string;
  port: string;
  label: string;
  side: 'input' | 'output' | 'both';
}

const taken = ({ lines }: RigDocument): Set<string> =>
  new Set(
    lines.flatMap((line) => [
      ...(startsAtLink(line) ? [key(line.source.from)] : []),
      ...(endsInLink(line) ? [key(line.inlet.into)] : []),
    ]),
  );
const key = ({ line, link, port }: Socket): string => `${line} ${link} ${port}`;

/** Every further socket of the links of a rig that is free: legs of splitters, second ends of Y-leads, link-throughs. */
export function freeSockets(document: RigDocument): FreeSocket[] {
  const used = taken(document);
  return document.lines.flatMap((line) =>
    line.links.flatMap((part, at) => {
      const kind = linkKind(part.kind);
      return Object.entries(kind.ports?.(reader(kind, part)) ?? {})
        .filter(([port]) => !part.id || !used.has(key({ line: line.id, link: part.id, port })))
        .map(([port, { label, side }]): FreeSocket => ({
          line: line.id,
          lineName: line.name,
          at,
          linkName: part.name || kind.label,
          port,
          label,
          side,
        }));
    }),
  );
}

/** The document with an id on the link of a socket, and the socket as a line refers to it. */
function reached(document: RigDocument, socket: FreeSocket): { document: RigDocument; socket: Socket } {
  const host = document.lines.find(({ id }) => id === socket.line)!;
  const id = host.links[socket.at].id ?? freeId(host.links.filter(hasId), host.links[socket.at].kind);
  const links = host.links.with(socket.at, { ...host.links[socket.at], id });
  return {
    document: { ...document, lines: document.lines.map((line) => (line === host ? { ...host, links } : line)) },
    socket: { line: socket.line, link: id, port: socket.port },
  };
}

const hasId = (part: Part): part is Part & { id: string } => part.id !== undefined;

const change = (document: RigDocument, id: string, to: (line: RigLine) => RigLine): RigDocument => ({
  ...document,
  lines: document.lines.map((line) => (line.id === id ? to(line) : line)),
});

/** Ends a line in a further socket of another line's link. */
export function plugInto(document: RigDocument, id: string, socket: FreeSocket): RigDocument {
  const ready = reached(document, socket);
  return change(ready.document, id, (line) => withEnds(line, { inlet: { into: ready.socket } }));
}

/** Begins a line at a further socket of another line's link, in place of its own source. */
export function startFrom(document: RigDocument, id: string, socket: FreeSocket): RigDocument {
  const ready = reached(document, socket);
  return change(ready.document, id, (line) => withEnds(line, { source: { from: ready.socket } }));
}
