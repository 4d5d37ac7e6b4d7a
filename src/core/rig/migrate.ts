import { INLETS, type Part } from '../gear';
import type { FeedName } from '../standards/feeds';
import { FORMAT, VERSION } from './document';

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose => typeof value === 'object' && value !== null;

/**
 * Brings a document of version 1, in which every line had an inlet of its own, up to date: each inlet becomes a device
 * with one switch. Whatever is wrong with it stays as it is, for the check of the newer version to name.
 */
export function migrated(value: unknown): unknown {
  if (!isObject(value) || value.format !== FORMAT || value.version !== 1 || !Array.isArray(value.lines)) return value;
  const isLine = (line: unknown) =>
    isObject(line) && typeof line.id === 'string' && isObject(line.inlet) && Array.isArray(line.links);
  if (!value.lines.every(isLine)) return value;
  const devices: Loose[] = [];
  const lines: Loose[] = [];
  for (const line of value.lines as Loose[]) {
    const inlet = { ...(line.inlet as unknown as Part) };
    const { feed = standardFeed(inlet.kind), ...choices } = inlet.choices ?? {};
    const offers = feedsOf(inlet.kind);
    devices.push({
      id: `device-${String(line.id)}`.slice(0, 64),
      name: inlet.name || 'inlet',
      inlets: [{ id: '1', ...inlet, ...(inlet.choices && { choices }) }],
      groups: offers.length ? [{ id: 'switch', name: 'switch', inlets: ['1'], offers, feed }] : [],
    });
    const links = (line.links as Part[]).map((link, n) => withoutThrough(link, n));
    lines.push({ ...line, links, inlet: { device: devices[devices.length - 1].id, inlet: '1' } });
    (line.links as Part[]).forEach((link, n) => {
      if (isObject(link) && link.choices?.through === 'driven') lines.push(second(line, link, `box-${n + 1}`));
    });
  }
  return { ...value, version: VERSION, devices, lines };
}

const feedsOf = (kind: string): FeedName[] =>
  (INLETS.find((known) => known.kind === kind)?.choices.feed?.options ?? [])
    .map(({ value }) => value as FeedName)
    .filter((feed) => feed !== 'off');

const standardFeed = (kind: string): string =>
  INLETS.find((known) => known.kind === kind)?.choices.feed?.standard ?? 'off';

/** Version 1 noted a second output on the link-through as a choice of the box; it is a line of its own now. */
function withoutThrough(link: Part, n: number): Part {
  if (!isObject(link) || (!link.choices?.through && !link.figures?.throughResistance)) return link;
  const { through, ...choices } = link.choices ?? {};
  const { throughResistance: _second, ...figures } = link.figures ?? {};
  return { ...link, ...(through === 'driven' && { id: `box-${n + 1}` }), choices, figures };
}

function second(line: Loose, link: Part, id: string): Loose {
  const resistance = link.figures?.throughResistance ?? { value: 600, unit: 'Ω', basis: 'assumed' };
  return {
    id: `${String(line.id)}-through`.slice(0, 64),
    name: `${String(line.name)}, through`.slice(0, 80),
    source: { kind: 'line-output', figures: { outputResistance: resistance } },
    links: [],
    inlet: { into: { line: line.id, link: id, port: 'through' } },
  };
}
