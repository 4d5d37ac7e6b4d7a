import { itemOfDevice, type KitItem } from '@/core/kit';
import {
  DocumentError,
  newDevice,
  readDocument,
  tidied,
  withDevice,
  withoutDevice,
  type Device,
  type RigDocument,
} from '@/core/rig';
import { USUAL } from '@/core/standards/feeds';
import { ask } from '@/ui/shell/ask';

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
  /** @returns what is wrong with it, if anything; else it is taken over */
  const saveDevice = (device: Device): string | undefined => {
    const known = document.devices.some(({ id }) => id === device.id);
    const next = known
      ? withDevice(document, device.id, () => device)
      : { ...document, devices: [...document.devices, device] };
    try {
      change(readDocument(tidied(next)));
      return undefined;
    } catch (error) {
      if (error instanceof DocumentError) return error.message;
      throw error;
    }
  };
  return {
    saveDevice,
    /** Puts a device into the kit as it is; the one on the rig is then one of the kit's. @returns why not */
    keepDevice: async (device: Device): Promise<string | undefined> => {
      const made = itemOfDevice(kit, device);
      const { failed } = await ask(`/api/kit/${made.id}`, {
        method: 'PUT',
        json: made,
        headers: { 'if-none-match': '*' },
      });
      const refused = failed ?? saveDevice({ ...device, item: made.id });
      if (refused) return refused;
      say(`${device.name} is in the kit.`);
      refresh();
      return undefined;
    },
    removeDevice: (id: string) => {
      change((from) => withoutDevice(from, id));
      say('The device and its lines were removed. Undo brings them back.');
    },
    freshDevice: () =>
      newDevice(document, { name: 'New device', kind: 'three-pin', inlets: 2, perSwitch: 2, offers: [USUAL] }),
  };
}
