import type { Fault, Part } from '../../gear';
import type { KitItem } from '../../kit/item';
import { writeCsv } from '../csv';
import { COLUMNS } from './columns';

const figuresText = (part: Part): string =>
  Object.entries(part.figures ?? {})
    .map(([name, { value, unit, basis, where }]) => `${name}=${value} ${unit} (${basis}${where ? `: ${where}` : ''})`)
    .join('; ');
const choicesText = (part: Part): string =>
  Object.entries(part.choices ?? {})
    .map(([name, value]) => `${name}=${value}`)
    .join('; ');
const faultText = (fault: Fault): string =>
  fault.type === 'open'
    ? `open ${fault.contact}${fault.at === undefined ? '' : ` at ${fault.at} m`}`
    : fault.type === 'shield to cold'
      ? fault.type
      : `${fault.type} ${fault.contacts.join('-')}${fault.type === 'leaky' ? ` ${fault.ohms} Ω` : ''}`;

/** A kit as a table. Answers (who, when) and what a device's switches are called stay behind; the JSON file has them. */
export const kitCsv = (items: readonly KitItem[]): string =>
  writeCsv(
    COLUMNS,
    items.map((item) => ({
      id: item.id,
      role: item.role,
      name: item.name,
      count: String(item.count),
      sheet: item.sheet ?? '',
      note: item.note ?? '',
      bought: item.register?.bought ?? '',
      retired: item.register?.retired ?? '',
      'test every (days)': String(item.register?.testEvery ?? ''),
      ...(item.role === 'device'
        ? {
            kind: item.device.inlets[0]?.kind ?? '',
            inlets: String(item.device.inlets.length),
            'per switch': String(item.device.groups[0]?.inlets.length ?? ''),
            feeds: item.device.groups[0]?.offers.join(' ') ?? '',
          }
        : {
            kind: item.part.kind,
            figures: figuresText(item.part),
            choices: choicesText(item.part),
            faults: (item.part.faults ?? []).map(faultText).join('; '),
          }),
    })),
  );
