import { DEVICE_TEMPLATES, fromTemplate, setFeed, type RigDocument } from '../rig';
import { readTyped, withTyped } from './typed';

/** A rig as many are, to begin from. */
export interface RigTemplate {
  name: string;
  /** What it has, in a few words. */
  what: string;
  /** Names of the device templates. */
  devices: readonly string[];
  /** Switches that are on: the device's name and the number of the switch, from 1. */
  on: readonly (readonly [string, number])[];
  /** Its lines, as somebody types them. */
  lines: readonly string[];
}

/** Who goes where is common practice; what needs 48 V shares a switch with nothing that must not have it. */
export const RIG_TEMPLATES: readonly RigTemplate[] = [
  {
    name: 'Interview',
    what: 'two voices and a boom on a bag recorder',
    devices: ['Bag recorder'],
    on: [['Bag recorder', 2]],
    lines: ['2 x dynamic "Voice #" > 5 m > bag 1-2', 'shotgun "Boom" > 5 m > bag 3'],
  },
  {
    name: 'Band',
    what: '10 lines on a desk, condensers on a bank of their own',
    devices: ['Desk'],
    on: [['Desk', 2]],
    lines: [
      '3 x dynamic "Vocal #" > 10 m > desk 1-3',
      'dynamic "Guitar amplifier" > 10 m > desk 4',
      'dynamic "Kick" > 10 m > desk 5',
      'dynamic "Snare" > 10 m > desk 6',
      '2 x keyboard "Keys L/R" > 3 m > passive DI > 10 m > desk 7-8',
      '2 x SDC "Overhead L/R" > 10 m > desk 9-10',
    ],
  },
  {
    name: 'String quartet in a church',
    what: 'a pair in front, four spots, on an interface with a switch each',
    devices: ['Interface, 8 inlets'],
    on: [1, 2, 3, 4, 5, 6].map((n) => ['Interface, 8 inlets', n] as const),
    lines: ['2 x SDC "Main L/R" > 20 m > interface 1-2', '4 x SDC "Spot #" > 20 m > interface 3-6'],
  },
  {
    name: 'Podcast',
    what: 'two voices on an interface',
    devices: ['Interface'],
    on: [],
    lines: ['2 x dynamic "Voice #" > 3 m > interface 1-2'],
  },
  {
    name: 'Film bag',
    what: 'boom, two wireless receivers, a camera microphone',
    devices: ['Bag recorder', 'Camera'],
    on: [
      ['Bag recorder', 1],
      ['Camera', 1],
    ],
    lines: ['shotgun "Boom" > 5 m > bag 1', '2 x wireless "Wireless #" > 1 m > bag 3-4', 'on-camera "Camera" > camera'],
  },
];

/** A rig with a template put in; what it has already stays. */
export function withRigTemplate(document: RigDocument, { devices, on, lines }: RigTemplate): RigDocument {
  const ids = new Map<string, string>();
  let next = document;
  for (const name of devices) {
    const device = fromTemplate(
      next,
      DEVICE_TEMPLATES.find((template) => template.name === name)!,
    );
    ids.set(name, device.id);
    next = { ...next, devices: [...next.devices, device] };
  }
  for (const [name, number] of on) {
    const { id, groups } = next.devices.find((device) => device.id === ids.get(name))!;
    const group = groups[number - 1];
    next = setFeed(next, id, group.id, group.offers.includes('P48') ? 'P48' : group.offers[0]);
  }
  return withTyped(next, readTyped(next, [], lines.join('\n'))).document;
}
