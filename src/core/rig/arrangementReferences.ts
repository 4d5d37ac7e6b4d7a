import type { Device, InletRef, RigDocument } from './document';
import type { Refusal } from './refusals';
import { inletKey } from '../gear';
import { EARTH } from './mains';

/** What a document's places, wishes and supplies say of things that are not in it. */
export function arrangementFaults(document: RigDocument): Refusal[] {
  return [
    ...locationFaults(document),
    ...wishFaults(document),
    ...monitorFaults(document),
    ...unitFaults(document),
    ...directCurrentFaults(document),
    ...mainsFaults(document),
  ];
}

const list = (names: readonly string[]): string => (names.length ? names.join(', ') : 'none');

function locationFaults({ locations = [], runs = [], devices, lines }: RigDocument): Refusal[] {
  const ids = locations.map(({ id }) => id);
  const known = (id: string | undefined, path: string): Refusal[] =>
    id === undefined || ids.includes(id)
      ? []
      : [{ path, message: `there is no location ${id}; the document has ${list(ids)}` }];
  const seen = new Set<string>();
  return [
    ...devices.flatMap(({ location }, n) => known(location, `devices[${n}].location`)),
    ...lines.flatMap(({ location }, n) => known(location, `lines[${n}].location`)),
    ...runs.flatMap(({ between }, n) => {
      const key = between.toSorted().join(' ');
      const twice = seen.has(key);
      seen.add(key);
      return [
        ...between.flatMap((id, end) => known(id, `runs[${n}].between[${end}]`)),
        ...(twice
          ? [{ path: `runs[${n}]`, message: 'the run between these two locations is already stated; keep one' }]
          : []),
      ];
    }),
  ];
}

function mainsFaults({ mains = {}, units = [], lines }: RigDocument): Refusal[] {
  const { outlets = [], connections = [], lines: grounds = [], beside = [] } = mains;
  const noUnit = (id: string, path: string): Refusal[] =>
    ids.includes(id) ? [] : [{ path, message: `there is no unit ${id}; the document has ${list(ids)}` }];
  const noLine = (id: string, path: string): Refusal[] =>
    lines.some((each) => each.id === id) ? [] : [{ path, message: `there is no line ${id}` }];
  const names = outlets.map(({ name }) => name);
  const ids = units.map(({ id }) => id);
  const fromOf = new Map(outlets.map(({ name, from }) => [name, from]));
  return [
    ...outlets.flatMap(({ name, from }, n): Refusal[] => {
      const path = `mains.outlets[${n}].from`;
      if (from === undefined) return [];
      if (!names.includes(from))
        return [{ path, message: `there is no outlet ${from}; the document has ${list(names)}` }];
      let at: string | undefined = from;
      for (let steps = 0; at !== undefined && at !== name && steps < outlets.length; steps++) at = fromOf.get(at);
      return at === undefined
        ? []
        : [{ path, message: `${name} is plugged into itself; say what is plugged into the wall` }];
    }),
    ...connections.flatMap(({ between }, n) =>
      between.flatMap((id, end) => (id === EARTH ? [] : noUnit(id, `mains.connections[${n}].between[${end}]`))),
    ),
    ...grounds.flatMap(({ line }, n) => noLine(line, `mains.lines[${n}].line`)),
    ...beside.flatMap(({ line, unit }, n) => [
      ...noLine(line, `mains.beside[${n}].line`),
      ...noUnit(unit, `mains.beside[${n}].unit`),
    ]),
  ];
}

function monitorFaults({ monitors = [], devices, locations = [] }: RigDocument): Refusal[] {
  const places = locations.map(({ id }) => id);
  const known = devices.map(({ id }) => id);
  return monitors.flatMap(({ location, devices: heard }, n) => [
    ...(location === undefined || places.includes(location)
      ? []
      : [
          {
            path: `monitors[${n}].location`,
            message: `there is no location ${location}; the document has ${list(places)}`,
          },
        ]),
    ...heard.flatMap((id, k) =>
      known.includes(id)
        ? []
        : [
            {
              path: `monitors[${n}].devices[${k}]`,
              message: `there is no device ${id}; the document has ${list(known)}`,
            },
          ],
    ),
  ]);
}

function wishFaults({ wishes, devices, lines }: RigDocument): Refusal[] {
  if (!wishes) return [];
  const names = new Map(lines.map(({ id, name }) => [id, name]));
  const line = (id: string | undefined, path: string): Refusal[] =>
    id === undefined || names.has(id) ? [] : [{ path, message: `there is no line ${id}` }];
  const taken = new Map<string, string>();
  return [
    ...(wishes.pinned ?? []).flatMap(({ line: id, to }, n): Refusal[] => {
      const path = `wishes.pinned[${n}]`;
      const key = inletKey(to);
      const other = taken.get(key);
      taken.set(key, names.get(id) ?? id);
      return [
        ...line(id, `${path}.line`),
        ...inletFaults(devices, to, `${path}.to`),
        ...(other ? [{ path: `${path}.to`, message: `“${other}” is pinned to this inlet already` }] : []),
      ];
    }),
    ...(wishes.forbidden ?? []).flatMap(({ line: id, to }, n) => [
      ...line(id, `wishes.forbidden[${n}].line`),
      ...inletFaults(devices, to, `wishes.forbidden[${n}].to`),
    ]),
    ...(wishes.neighbours ?? []).flatMap((pair, n) =>
      pair.flatMap((id, end) => line(id, `wishes.neighbours[${n}][${end}]`)),
    ),
  ];
}

function unitFaults({ units = [], devices, lines }: RigDocument): Refusal[] {
  return units.flatMap(({ device, line }, n): Refusal[] => [
    ...(device !== undefined && !devices.some(({ id }) => id === device)
      ? [{ path: `units[${n}].device`, message: `there is no device ${device}` }]
      : []),
    ...(line !== undefined && !lines.some(({ id }) => id === line)
      ? [{ path: `units[${n}].line`, message: `there is no line ${line}` }]
      : []),
  ]);
}

function inletFaults(devices: readonly Device[], { device: id, inlet }: InletRef, path: string): Refusal[] {
  const device = devices.find((known) => known.id === id);
  if (!device) return [{ path: `${path}.device`, message: `there is no device ${id}` }];
  return device.inlets.some((known) => known.id === inlet)
    ? []
    : [{ path: `${path}.inlet`, message: `${device.name} has no inlet ${inlet}` }];
}

function directCurrentFaults({ directCurrent }: RigDocument): Refusal[] {
  if (!directCurrent) return [];
  const supplies = new Map(directCurrent.supplies.map((supply) => [supply.id, supply]));
  return directCurrent.loads.flatMap(({ on, lowest, highest }, n): Refusal[] => {
    const path = `directCurrent.loads[${n}]`;
    const supply = on && supplies.get(on.supply);
    return [
      ...(lowest.value > highest.value
        ? [{ path: `${path}.lowest`, message: `must not be above the highest, ${highest.value} V` }]
        : []),
      ...(on && !supply ? [{ path: `${path}.on.supply`, message: `there is no supply ${on.supply}` }] : []),
      ...(on && supply && on.outlet > supply.outlets
        ? [{ path: `${path}.on.outlet`, message: `${supply.name} has ${supply.outlets} outlets` }]
        : []),
    ];
  });
}
