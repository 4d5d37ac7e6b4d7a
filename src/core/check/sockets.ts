import {
  isCable,
  isPlainAdapter,
  CONNECTORS,
  inletKind,
  linkKind,
  mate,
  mending,
  reader,
  sourceKind,
  type ConnectorId,
  type MeantFor,
} from '../gear';
import type { Edit, FreeInlet } from '../gear/edits';
import { feedLabel, type FeedName } from '../standards/feeds';
import { isMicrophone, isShared, meantFor, nameOf, readPart, type Case } from './case';
import type { Remedy } from './finding';
import { fromKit, otherCable } from './kitParts';
import { plural } from '../units';

/** Most free inlets that are tried, each of another kind, switch or setting. */
const MOVES = 6;
/** A plug on a lead of its own reaches so far without a cable, in metres (common practice). */
const BY_ITSELF = 3;

/** What the sockets are called that a source belongs in. */
const belongs = (at: Case): MeantFor[] => [sourceKind(at.line.source.kind).belongsIn ?? 'microphone'];

/** Free inlets that the line could end in: those meant for such a source where it is not in one, or any others. */
export function sockets(at: Case, by: 'right socket' | 'move'): Remedy[] {
  const wanted = belongs(at);
  const here = meantFor(at);
  const seen = new Set<string>();
  return at.free
    .flatMap((free): Remedy[] => {
      const kind = inletKind(free.inlet.kind);
      const fitted = fit(at, free);
      if (!fitted) return [];
      const purpose = kind.meantFor(reader(kind, free.inlet), fitted.plug);
      const right = wanted.includes(purpose) && (!wanted.includes(here) || purpose !== here);
      const feed = free.inlet.choices?.feed ?? 'off';
      const key = [
        free.switch?.name ?? free.inlet.kind,
        purpose,
        feed,
        JSON.stringify(free.inlet.figures ?? {}),
      ].join();
      // A line inlet has neither the gain nor the feed that a microphone wants.
      if (isMicrophone(at.line) && purpose !== 'microphone' && purpose !== 'plug-in') return [];
      if (right !== (by === 'right socket') || seen.has(key)) return [];
      seen.add(key);
      return [
        {
          by,
          label: `Move to ${free.inlet.name ?? 'a free inlet'}`,
          note: [...fitted.notes, moveNote(free)].join(', '),
          edits: [...fitted.edits, { do: 'move', ...free }],
          ...(fitted.owned !== undefined && { owned: fitted.owned }),
        },
      ];
    })
    .slice(0, MOVES);
}

function moveNote({ switch: own, inlet }: FreeInlet): string {
  if (!own) return 'free, has no feed';
  const feed = (inlet.choices?.feed ?? 'off') as FeedName;
  const shares = own.reaches.length ? ` (shares a switch with ${plural(own.reaches.length, 'line')})` : '';
  return `free, ${feed === 'off' ? 'feed off now' : `${feedLabel(feed)} on`}${shares}`;
}

interface Fitted {
  edits: Edit[];
  notes: string[];
  plug: ConnectorId;
  owned?: boolean;
}

/** Metres of cable on the line. */
const cableLength = (at: Case): number =>
  at.line.links.reduce(
    (sum, part, n) => (linkKind(part.kind).nature === 'cable' ? sum + readPart(at.line, n).value('length') : sum),
    0,
  );

/** How the line would go into a free inlet: as it is, without its adapters, or with one more; undefined where it cannot, or does not reach. */
function fit(at: Case, free: FreeInlet): Fitted | undefined {
  const { junctions } = at.circuit;
  const { sockets: offered } = inletKind(free.inlet.kind);
  const goes = (plug: ConnectorId) => offered.some((socket) => mate(plug, socket));
  const last = at.line.links.length;
  const end = junctions[last].plug;
  const cable = cableLength(at);
  if (free.run !== undefined && free.run > Math.max(cable, BY_ITSELF)) return undefined;
  if (goes(end)) return { edits: [], notes: [], plug: end };
  // Without what changes its connector at the inlet's end.
  const before = last > 0 ? junctions[last - 1].plug : undefined;
  const movable = before && linkKind(at.line.links[last - 1].kind).nature !== 'cable' && !isShared(at.line, last - 1);
  if (movable && goes(before))
    return {
      edits: [{ do: 'remove', at: last - 1 }],
      notes: [`without ${nameOf(at.line, last - 1)}`],
      plug: before,
    };
  // On its own lead, where that reaches.
  const reaches = free.run === undefined ? cable <= BY_ITSELF : free.run <= BY_ITSELF;
  const alone = at.line.links.every((_, n) => !isShared(at.line, n));
  if (last > 0 && goes(junctions[0].plug) && reaches && alone)
    return {
      edits: at.line.links.map((_, n): Edit => ({ do: 'remove', at: last - 1 - n })),
      notes: ['on its own lead'],
      plug: junctions[0].plug,
    };
  const relaid = relay(at, goes(junctions[0].plug));
  if (relaid) return relaid;
  if (end === 'xlr3' && goes('trs635')) {
    const adapter = mending('adapter', { choices: { wiring: 'xlr-to-trs' } });
    const found = fromKit(at, adapter);
    return {
      edits: [{ do: 'insert', at: last, part: found.part }],
      notes: [`over an XLR-to-TRS adapter${found.note ? ` (${found.note})` : ''}`],
      plug: 'trs635',
      ...(found.owned !== undefined && { owned: found.owned }),
    };
  }
  return undefined;
}

/** On XLR cable all the way, without the adapters between. */
function relay(at: Case, goes: boolean): Fitted | undefined {
  const { links } = at.line;
  const { plug } = at.circuit.junctions[0];
  const adapters = [...links.keys()].filter((n) => isPlainAdapter(links[n]));
  const plain = links.every(
    (part, n) => !part.faults?.length && (isCable(part) || isPlainAdapter(part)) && !isShared(at.line, n),
  );
  if (!goes || plug !== 'xlr3' || !plain || !adapters.length || adapters.length === links.length) return undefined;
  return {
    edits: [
      ...links.flatMap((part, n) => (isCable(part) ? [otherCable(part, n, plug)] : [])),
      ...adapters.toReversed().map((n): Edit => ({ do: 'remove', at: n })),
    ],
    notes: [`on ${CONNECTORS[plug].label} cable`],
    plug,
  };
}
