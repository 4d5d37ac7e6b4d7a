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
  const having = (from: RigDocument, device: Device): RigDocument =>
    tidied(
      from.devices.some(({ id }) => id === device.id)
        ? withDevice(from, device.id, () => device)
        : { ...from, devices: [...from.devices, device] },
    );
  /** @returns what is wrong with a rig that has this device, if anything */
  const refusal = (device: Device): string | undefined => {
    try {
      readDocument(having(document, device));
      return undefined;
    } catch (error) {
      if (error instanceof DocumentError) return error.message;
      throw error;
    }
  };
  return {
    /** @returns what is wrong with it, if anything; else it is taken over */
    saveDevice: (device: Device): string | undefined => {
      const refused = refusal(device);
      if (!refused) change((from) => having(from, device));
      return refused;
    },
    /** Puts a device into the kit as it is; the one on the rig is then one of the kit's. @returns why not */
    keepDevice: async (device: Device): Promise<string | undefined> => {
      const made = itemOfDevice(kit, device);
      const owned = { ...device, item: made.id };
      const refused = refusal(owned);
      if (refused) return refused;
      const { failed } = await ask(`/api/kit/${made.id}`, {
        method: 'PUT',
        json: made,
        headers: { 'if-none-match': '*' },
      });
      if (failed) return `Not added to the kit: ${failed}`;
      change((from) => having(from, owned));
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
