import { inletKind, type Grounding, type Part } from '../../gear';
import { emptyRig, type Device, type RigDocument, type RigLine, type SwitchGroup } from '../../rig/document';
import type { FeedName } from '../../standards/feeds';
import type { Situation } from './situation';

/** A device of one inlet with a switch of whatever its kind can feed. */
function deviceOf(id: string, name: string, inlet: Part, ground?: Grounding): Device {
  const { feed, ...choices } = inlet.choices ?? {};
  const feeds = (inletKind(inlet.kind).choices.feed?.options ?? []).map(({ value }) => value as FeedName);
  const offers = feeds.filter((each): each is Exclude<FeedName, 'off'> => each !== 'off');
  const group: SwitchGroup = {
    id: 'switch',
    name: 'feed switch',
    inlets: ['1'],
    offers,
    feed: (feed as FeedName | undefined) ?? 'off',
  };
  return {
    id,
    name,
    inlets: [{ ...inlet, id: '1', choices }],
    groups: offers.length ? [group] : [],
    ...(ground && { ground }),
  };
}

const HERE = { device: 'device', inlet: '1' };

/** A situation as a rig of its own, to be looked at and changed. */
export function asRig({ what, because, line, schools }: Situation): RigDocument {
  const name = what.slice(0, 80);
  const branch = line.branches?.[0];
  const joint = branch ? line.links.findIndex(({ id }) => id === 'shared') : -1;
  const plain = line.links.map(({ entry: _entry, exit: _exit, ...part }) => part);
  const own = { id: 'line', name };
  const other = { id: 'other', name: branch?.name ?? '' };
  const sameDevice = branch?.device !== undefined && branch.device === line.device;
  const there = sameDevice ? { device: 'device', inlet: '2' } : { device: 'other-device', inlet: '1' };
  const socket = (host: string, port: string) => ({ line: host, link: 'shared', port });

  const lines = (): RigLine[] => {
    if (!branch) return [{ ...own, source: line.source, links: plain, inlet: HERE }];
    const { entry, exit } = line.links[joint];
    // The line came in by a side socket, or leaves by one: the other line is the one that the link belongs to.
    if (entry)
      return [
        { ...other, source: branch.source!, links: plain.slice(joint), inlet: HERE },
        { ...own, source: line.source, links: plain.slice(0, joint), inlet: { into: socket('other', entry) } },
      ];
    if (exit)
      return [
        { ...other, source: line.source, links: plain.slice(0, joint + 1), inlet: there },
        { ...own, source: { from: socket('other', exit) }, links: plain.slice(joint + 1), inlet: HERE },
      ];
    const host: RigLine = { ...own, source: line.source, links: plain, inlet: HERE };
    return branch.source
      ? [host, { ...other, source: branch.source, links: branch.links, inlet: { into: socket('line', branch.port) } }]
      : [host, { ...other, source: { from: socket('line', branch.port) }, links: branch.links, inlet: there }];
  };

  const device = deviceOf('device', 'Device', line.inlet, line.ground);
  const second = branch?.inlet && deviceOf('other-device', 'Other device', branch.inlet, branch.ground);
  const devices = !second
    ? [device]
    : sameDevice
      ? [
          {
            ...device,
            inlets: [...device.inlets, { ...second.inlets[0], id: '2' }],
            groups: [
              ...device.groups,
              ...second.groups.map((group) => ({
                ...group,
                id: 'second-switch',
                name: 'second switch',
                inlets: ['2'],
              })),
            ],
          },
        ]
      : [device, second];
  return {
    ...emptyRig(name),
    note: because,
    ...(schools && { schools }),
    devices,
    lines: lines(),
  };
}
