import { itemOfDevice, type KitItem } from '@/core/kit';
import {
  DocumentError,
  newDevice,
  tidied,
  withDevice,
  withoutDevice,
  type Device,
  type Refusal,
  type RigDocument,
} from '@/core/rig';
import { USUAL } from '@/core/standards/feeds';
import { withinDevice } from '@/ui/devices/deviceForm';
import { loadReaders, UNREAD } from '@/ui/rig/loadReaders';
import { ask } from '@/ui/shell/ask';
import { deviceActions as text } from './texts';

interface Given {
  document: RigDocument;
  kit: readonly KitItem[];
  change: (to: RigDocument | ((from: RigDocument) => RigDocument)) => void;
  say: (message: string) => void;
  /** Fetches the kit anew. */
  refresh: () => void;
}

/** What is done to the devices of a rig. */
export function deviceActions({ document, kit, change, say, refresh }: Given) {
  const having = (from: RigDocument, device: Device): RigDocument =>
    tidied(
      from.devices.some(({ id }) => id === device.id)
        ? withDevice(from, device.id, () => device)
        : { ...from, devices: [...from.devices, device] },
    );
  /** @returns what is wrong with a rig that has this device, by paths within the device */
  const refusal = async (device: Device): Promise<Refusal[]> => {
    const { readDocument } = await loadReaders();
    if (!readDocument) return UNREAD;
    const next = having(document, device);
    try {
      readDocument(next);
      return [];
    } catch (error) {
      if (!(error instanceof DocumentError)) throw error;
      const at = next.devices.findIndex(({ id }) => id === device.id);
      return withinDevice(error.refusals, `devices[${at}]`);
    }
  };
  return {
    /** @returns what is wrong with it, if anything; else it is taken over */
    saveDevice: async (device: Device): Promise<Refusal[]> => {
      const refused = await refusal(device);
      if (!refused.length) change((from) => having(from, device));
      return refused;
    },
    /** Puts a device into the kit as it is; the one on the rig is then one of the kit's. @returns why not */
    keepDevice: async (device: Device): Promise<Refusal[]> => {
      const made = itemOfDevice(kit, device);
      const owned = { ...device, item: made.id };
      const refused = await refusal(owned);
      if (refused.length) return refused;
      const { failed } = await ask(`/api/kit/${made.id}`, {
        method: 'PUT',
        json: made,
        headers: { 'if-none-match': '*' },
      });
      if (failed) return [{ path: '', message: text.notAddedToTheKit(failed) }];
      change((from) => having(from, owned));
      say(text.isInTheKit(device.name));
      refresh();
      return [];
    },
    removeDevice: (id: string) => {
      change((from) => withoutDevice(from, id));
      say(text.theDeviceAndItsLines);
    },
    freshDevice: () =>
      newDevice(document, { name: text.newDevice, kind: 'three-pin', inlets: 2, perSwitch: 2, offers: [USUAL] }),
  };
}
