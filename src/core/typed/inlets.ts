import { inletKey } from '../gear';
import { endsInLink, type Device, type InletRef, type RigDocument } from '../rig/document';
import { freeInlets } from '../rig/rigEdits';
import { tokensOf } from './match';

/** A device that words mean, and which of its inlets. */
export interface DeviceMeant {
  device: Device;
  /** What stands behind its name: `3`, `1-2`, `1,3`, `mic`; empty where nothing does. */
  inlets: string;
}

const NUMBERS = /^(\d+)\s*(?:(?:-|–|to)\s*(\d+))?$/;

/** The device that the end of a typed line means; undefined where it means none. */
export function deviceMeant({ devices }: RigDocument, text: string): DeviceMeant | undefined {
  const found =
    /^(.*?)(?:[\s,#:/]+(?:inlets?|ch(?:annels?)?|in)?\s*((?:\d+\s*(?:(?:-|–|to)\s*\d+)?)(?:\s*[,+&]\s*\d+)*))?$/i.exec(
      text.trim(),
    );
  if (!found) return undefined;
  const [, named, numbers = ''] = found;
  const words = tokensOf(named);
  if (words.length === 0) return undefined;
  const scored = devices.flatMap((device) => {
    const tokens = tokensOf(device.name);
    const own = words.filter((word) => tokens.some((token) => token.startsWith(word)));
    // What is left over may be the name of one of its inlets.
    const rest = words.filter((word) => !own.includes(word)).join(' ');
    const inlet = device.inlets.find(
      ({ id, name }) => rest !== '' && [id, name].some((each) => tokensOf(each ?? '').join(' ') === rest),
    );
    if (own.length === 0 || (rest !== '' && !inlet)) return [];
    return [{ device, inlets: numbers || (inlet?.id ?? ''), score: own.length / tokens.length }];
  });
  const [best] = scored.sort((a, b) => b.score - a.score);
  return best && { device: best.device, inlets: best.inlets };
}

const listed = (all: readonly string[]): string =>
  all.length > 8 ? `${all.slice(0, 8).join(', ')} and ${all.length - 8} more` : all.join(', ');

/** The inlets that are meant, all free; so many from the first free one on where none is named. */
export function inletsMeant(
  document: RigDocument,
  meant: DeviceMeant | undefined,
  count: number,
): { refs: InletRef[] } | { problem: string } {
  const free = freeInlets(document).map(({ to }) => to);
  const { device, inlets = '' } = meant ?? {};
  const own = device ? free.filter((ref) => ref.device === device.id) : free;
  const place = device?.name ?? 'this rig';
  if (inlets === '') {
    if (own.length < count)
      return {
        problem: `${own.length === 0 ? 'No inlet' : `Only ${own.length}`} of ${place} ${own.length > 1 ? 'are' : 'is'} free.`,
      };
    return { refs: own.slice(0, count) };
  }
  const ids = idsIn(device!, inlets, count);
  if ('problem' in ids) return ids;
  const taken = ids.ids.find((id) => own.every(({ inlet }) => inlet !== id));
  if (taken !== undefined) {
    const by = document.lines.find(
      (line) => !endsInLink(line) && inletKey(line.inlet) === inletKey({ device: device!.id, inlet: taken }),
    );
    const left = own.map(({ inlet }) => inlet);
    return {
      problem: `${place}, inlet ${taken} is taken${by ? ` by ${by.name}` : ''}; ${left.length ? `free: ${listed(left)}` : 'none is free'}.`,
    };
  }
  return { refs: ids.ids.map((inlet) => ({ device: device!.id, inlet })) };
}

/** The inlets of a device by what stands behind its name, in its own order. */
function idsIn(device: Device, text: string, count: number): { ids: string[] } | { problem: string } {
  const order = device.inlets.map(({ id }) => id);
  const ids = text.split(/\s*[,+&]\s*/).flatMap((each) => {
    const range = NUMBERS.exec(each.trim());
    if (!range?.[2]) return [range?.[1] ?? each];
    const [from, to] = [order.indexOf(range[1]), order.indexOf(range[2])];
    return from < 0 || to < from ? [each] : order.slice(from, to + 1);
  });
  const strange = ids.find((id) => !order.includes(id));
  if (strange !== undefined) return { problem: `${device.name} has no inlet ${strange}; it has ${listed(order)}.` };
  if (ids.length === 1 && count > 1) {
    const from = order.indexOf(ids[0]);
    return { ids: order.slice(from, from + count) };
  }
  return { ids };
}
