import { linkKind, reader, type ConnectorId, type Part } from '../gear';
import type { Edit } from '../gear/edits';
import type { Case } from './case';

/** A link to add: one from the kit where it lies there, else one of its kind. */
export interface FromKit {
  part: Part;
  name: string;
  note?: string;
  owned?: boolean;
}

/** Choices that say what a thing is; those that are set by hand do not. */
const same = (asked: Part, other: Part): boolean => {
  if (asked.kind !== other.kind) return false;
  const kind = linkKind(asked.kind);
  const [a, b] = [reader(kind, asked), reader(kind, other)];
  return Object.entries(kind.choices)
    .filter(([, { setting, question }]) => !setting && !question)
    .every(([name]) => name === 'tested' || a.choice(name) === b.choice(name));
};

const wiringOf = ({ kind, choices }: Part): string | undefined =>
  linkKind(kind).choices.wiring?.options.find(({ value }) => value === choices?.wiring)?.label;

/** What an adapter joins to what, where several lead from one connector to the same other one. */
export function joins(part: Part): string | undefined {
  const [ends, contacts] = wiringOf(part)?.split(': ') ?? [];
  const others = linkKind(part.kind).choices.wiring?.options.filter(({ label: other }) => other.split(':')[0] === ends);
  return contacts && others!.length > 1 ? contacts : undefined;
}

/** What a link is called: its wiring, if that is what tells it from others. */
function label(part: Part): string {
  const kind = linkKind(part.kind);
  const wiring = wiringOf(part);
  if (wiring) return `${wiring.split(':')[0]} adapter`;
  return kind.label.replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
}

const article = (name: string): string => `${/^(a|e|i|o|u|XLR|RCA)/.test(name) ? 'an' : 'a'} ${name}`;

/** Looks for a link in the kit; its settings are as asked. Without a kit nothing is said of who owns what. */
export function fromKit({ kit }: Pick<Case, 'kit'>, asked: Part): FromKit {
  const spare = kit?.find(({ part, count }) => count > 0 && !part.faults?.length && same(asked, part));
  if (spare) {
    const part = { ...spare.part, choices: { ...spare.part.choices, ...asked.choices } };
    return { part, name: spare.name, note: 'from your kit', owned: true };
  }
  return { part: asked, name: article(label(asked)), ...(kit && { note: 'not in your kit', owned: false }) };
}

/** Another cable as long in the place of one, with other plugs: what was known of the first is not known of it. */
export const otherCable = ({ kind, figures }: Part, part: number, connector: ConnectorId): Edit => ({
  do: 'replace',
  part,
  with: { kind, choices: { connector }, ...(figures?.length && { figures: { length: figures.length } }) },
});
