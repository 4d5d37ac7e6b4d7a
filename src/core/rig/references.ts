import { arrangementFaults } from './arrangementReferences';
import { CONNECTORS, inletKind, linkKind, reader, type Contact } from '../gear';
import { FEEDS } from '../standards/feeds';
import { endsInLink, startsAtLink, type Device, type RigDocument, type RigLine, type Socket } from './document';
import type { Refusal } from './refusals';
import { uncapital } from '../units/format';

/** What a document says of things that are not in it, or of contacts and sockets that they do not have. */
export const brokenReferences = (document: RigDocument): Refusal[] => [
  ...document.devices.flatMap((device, n) => deviceFaults(device, `devices[${n}]`)),
  ...lineFaults(document),
  ...arrangementFaults(document),
];

/** What a device's switches say of inlets and feeds that it does not have. */
export function deviceFaults(device: Pick<Device, 'name' | 'inlets' | 'groups'>, at: string): Refusal[] {
  const inlets = new Map(device.inlets.map((inlet) => [inlet.id, inlet]));
  const grouped = new Map<string, string>();
  return device.groups.flatMap((group, g) => {
    const path = `${at}.groups[${g}]`;
    return [
      ...group.inlets.flatMap((id, n): Refusal[] => {
        const inlet = inlets.get(id);
        const at = `${path}.inlets[${n}]`;
        if (!inlet)
          return [{ path: at, message: `${device.name} has no inlet ${id}; it has ${list([...inlets.keys()])}` }];
        const other = grouped.get(id);
        grouped.set(id, group.name);
        if (other) return [{ path: at, message: `inlet ${id} is already on the switch “${other}”` }];
        const options = inletKind(inlet.kind).choices.feed?.options.map(({ value }) => value) ?? [];
        const missing = group.offers.find((feed) => !options.includes(feed));
        return missing
          ? [
              {
                path: `${path}.offers`,
                message: `inlet ${id} cannot have ${FEEDS[missing].label}; it takes ${list(options)}`,
              },
            ]
          : [];
      }),
      ...(group.feed !== 'off' && !group.offers.includes(group.feed)
        ? [{ path: `${path}.feed`, message: `must be "off" or one of what the switch offers: ${list(group.offers)}` }]
        : []),
    ];
  });
}

function lineFaults(document: RigDocument): Refusal[] {
  const lines = new Map(document.lines.map((line) => [line.id, line]));
  const devices = new Map(document.devices.map((device) => [device.id, device]));
  const taken = new Map<string, string>();
  const takenOnce = (key: string, line: RigLine, path: string, what: string): Refusal[] => {
    const other = taken.get(key);
    taken.set(key, line.name);
    return other ? [{ path, message: `${what} is already taken by “${other}”; a Y-lead joins two lines` }] : [];
  };
  return document.lines.flatMap((line, n) => {
    const path = `lines[${n}]`;
    const found: Refusal[] = contactFaults(line, path);
    if (startsAtLink(line)) {
      const { from } = line.source;
      found.push(...socketFaults(lines, from, `${path}.source.from`, 'output', line));
      found.push(
        ...takenOnce(`from ${from.line} ${from.link} ${from.port}`, line, `${path}.source.from`, `socket ${from.port}`),
      );
    }
    if (endsInLink(line)) {
      const { into } = line.inlet;
      found.push(...socketFaults(lines, into, `${path}.inlet.into`, 'input', line));
      found.push(
        ...takenOnce(`from ${into.line} ${into.link} ${into.port}`, line, `${path}.inlet.into`, `socket ${into.port}`),
      );
    } else {
      const { device: id, inlet } = line.inlet;
      const device = devices.get(id);
      if (!device)
        found.push({
          path: `${path}.inlet.device`,
          message: `there is no device ${id}; there are ${list([...devices.keys()])}`,
        });
      else if (!device.inlets.some((other) => other.id === inlet))
        found.push({
          path: `${path}.inlet.inlet`,
          message: `${device.name} has no inlet ${inlet}; it has ${list(device.inlets.map((other) => other.id))}`,
        });
      else found.push(...takenOnce(`inlet ${id} ${inlet}`, line, `${path}.inlet`, `inlet ${inlet} of ${device.name}`));
    }
    if (found.length === 0 && (loops(lines, line, 'up') || loops(lines, line, 'down')))
      found.push({ path, message: 'this line loops back into itself' });
    return found;
  });
}

function socketFaults(
  lines: Map<string, RigLine>,
  { line: id, link, port }: Socket,
  path: string,
  side: 'input' | 'output',
  from: RigLine,
): Refusal[] {
  const host = lines.get(id);
  if (!host || host === from) return [{ path: `${path}.line`, message: `there is no other line ${id}` }];
  const part = host.links.find((other) => other.id === link);
  if (!part) return [{ path: `${path}.link`, message: `line ${id} has no link with the id ${link}` }];
  const kind = linkKind(part.kind);
  const ports = Object.entries(kind.ports?.(reader(kind, part)) ?? {})
    .filter(([, other]) => other.side === side || other.side === 'both')
    .map(([name]) => name);
  return ports.includes(port)
    ? []
    : [
        {
          path: `${path}.port`,
          message: `this ${uncapital(kind.label)} has no such socket on that side; it has ${list(ports)}`,
        },
      ];
}

/** Whether following a line against or with its signal leads back to a line already passed. */
function loops(lines: Map<string, RigLine>, start: RigLine, way: 'up' | 'down'): boolean {
  const seen = new Set<string>();
  for (let line: RigLine | undefined = start; line;) {
    if (seen.has(line.id)) return true;
    seen.add(line.id);
    const next: Socket | undefined =
      way === 'up'
        ? startsAtLink(line)
          ? line.source.from
          : undefined
        : endsInLink(line)
          ? line.inlet.into
          : undefined;
    line = next && lines.get(next.line);
  }
  return false;
}

/** Faults must speak of contacts that the cable has. */
function contactFaults(line: RigLine, path: string): Refusal[] {
  return line.links.flatMap((link, n) => {
    const kind = linkKind(link.kind);
    const known: readonly Contact[] = CONNECTORS[kind.ends(reader(kind, link)).input].contacts;
    return (link.faults ?? []).flatMap((fault, k) => {
      const named = 'contact' in fault ? [fault.contact] : 'contacts' in fault ? fault.contacts : [];
      const wrong = named.find((other) => !known.includes(other));
      return wrong
        ? [
            {
              path: `${path}.links[${n}].faults[${k}]`,
              message: `speaks of contact ${wrong}; this cable has ${known.join(', ')}`,
            },
          ]
        : [];
    });
  });
}

const list = (names: readonly string[]): string => (names.length ? names.join(', ') : 'none');
