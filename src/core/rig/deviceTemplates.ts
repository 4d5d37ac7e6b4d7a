import { feedsOf, type FeedName } from '../standards/feeds';
import type { Device, RigDocument } from './document';
import { newDevice } from './rigEdits';

/** A device as most of its sort are, by what it has; whatever is otherwise is put right afterwards. */
export interface DeviceTemplate {
  name: string;
  /** What it has, in a few words. */
  what: string;
  kind: string;
  inlets: number;
  perSwitch: number;
  offers: Exclude<FeedName, 'off'>[];
}

const BAG = feedsOf('phantom').filter((feed) => feed !== 'SP48');

/** Most used first (common practice). */
export const DEVICE_TEMPLATES: readonly DeviceTemplate[] = [
  { name: 'Interface', what: '2 inlets, one 48 V switch', kind: 'combo', inlets: 2, perSwitch: 2, offers: ['P48'] },
  { name: 'Interface, 8 inlets', what: 'a 48 V switch each', kind: 'combo', inlets: 8, perSwitch: 1, offers: ['P48'] },
  {
    name: 'Desk',
    what: '16 inlets in two banks, a 48 V switch each',
    kind: 'three-pin',
    inlets: 16,
    perSwitch: 8,
    offers: ['P48'],
  },
  {
    name: 'Desk, 32 inlets',
    what: 'a 48 V switch for each inlet',
    kind: 'three-pin',
    inlets: 32,
    perSwitch: 1,
    offers: ['P48'],
  },
  {
    name: 'Bag recorder',
    what: '6 inlets in pairs, 12, 24 or 48 V',
    kind: 'combo',
    inlets: 6,
    perSwitch: 2,
    offers: BAG,
  },
  {
    name: 'Camera',
    what: '3.5 mm inlet, plug-in power',
    kind: 'mini-jack',
    inlets: 1,
    perSwitch: 1,
    offers: ['plug-in'],
  },
  { name: 'Phone', what: 'headset socket', kind: 'phone-jack', inlets: 1, perSwitch: 1, offers: [] },
  { name: 'Bodypack', what: 'one bodypack transmitter', kind: 'bodypack', inlets: 1, perSwitch: 1, offers: [] },
  { name: 'Line mixer', what: '6 line inlets, no feed', kind: 'balanced-jack', inlets: 6, perSwitch: 1, offers: [] },
  { name: 'Powered loudspeaker', what: '2 combo inlets, no feed', kind: 'combo', inlets: 2, perSwitch: 1, offers: [] },
];

/** A device made from a template, with an id and a name that the rig does not have yet. */
export const fromTemplate = (
  document: RigDocument,
  { name, kind, inlets, perSwitch, offers }: DeviceTemplate,
): Device => newDevice(document, { name, kind, inlets, perSwitch, offers });
