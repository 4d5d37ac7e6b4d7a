import {
  isCable,
  isStated,
  LINKS,
  planningOf,
  linkKind,
  reader,
  sourceKind,
  inletKind,
  type Line,
  type Part,
} from '../../gear';
import { SEVERITIES, type Finding, type Verdict } from '../../check/finding';
import { judgeLine } from '../../check/check';
import { CircuitError } from '../../circuit';
import type { KitItem } from '../../kit/item';
import { groupOf, schoolsOf, type RigDocument } from '../../rig/document';
import { rigPath } from '../../rig/paths';
import { type FeedName, USUAL } from '../../standards/feeds';
import type { Volts } from '../../units';
import { quantity, uncapital } from '../../units/format';
import { placesOf, siteOf } from '../places';
import { connections } from '../chains/connect';
import { inserted } from '../chains/inline';
import { partsOf, type Chain } from '../chains/chain';
import type { Piece } from '../pieces';
import { stockOf } from '../stock';
import { hasLead, runTo, tasksOf } from '../tasks';

/** A supply, converter or booster, and whether it would do for one line. */
export interface SupplyOption {
  label: string;
  kind: string;
  /** What powers it in turn: the inlet's feed, mains, cells. */
  runsOn: string;
  /** How many the kit has. */
  owned: number;
  /** Absent where it does not go into the line at all. */
  verdict?: Verdict;
  suitable: boolean;
  reason: string;
}

/** What is looked at: the setting it is judged in, and what it needs from the inlet. */
const CANDIDATES = LINKS.flatMap(({ kind, planning }) =>
  (planning?.tried ?? []).map(({ choices, set, feed }) => ({ part: { kind, ...(choices && { choices }) }, set, feed })),
);

/**
 * Every kind of supply, converter and booster, tried in a line at the inlet that it is on.
 * @returns undefined for a line that is not there or hangs on another one
 */
export function supplyOptions(document: RigDocument, kit: readonly KitItem[], id: string): SupplyOption[] | undefined {
  const task = tasksOf(document).find(({ line }) => line.id === id);
  const path = rigPath(document, id);
  if (!task || !path) return undefined;
  const { device: at, inlet } = path.inlet;
  const place = placesOf({ ...document, wishes: undefined }).find(
    ({ device, inlets }) => device.id === at && inlets.includes(inlet),
  )!;
  const stock = [...stockOf(kit, document).values()];
  const cables = stock.filter(({ part, faulty }) => isCable(part) && !faulty);
  const source = sourceKind(task.source.kind);
  const group = groupOf(place.device, inlet);
  const gap = {
    source: task.source.kind,
    plug: source.connector(reader(source, task.source)),
    sockets: inletKind(place.part.kind).sockets,
    run: runTo(document, task, at),
    lead: hasLead(task.source),
    plugOn: inletKind(place.part.kind).plugsOn === true,
    mostToGet: 0,
  };
  return CANDIDATES.map(({ part, set, feed }): SupplyOption => {
    const kind = linkKind(part.kind);
    const owned = stock.find((piece) => alike(piece.part, part))?.count ?? 0;
    const needsFeed = feed !== 'off';
    const head = {
      label: set ? `${kind.label}, ${set}` : kind.label,
      kind: part.kind,
      runsOn: needsFeed
        ? 'phantom from the inlet'
        : part.choices?.power
          ? reader(kind, part).choice('power')
          : 'its own batteries',
      owned,
    };
    const no = (reason: string): SupplyOption => ({ ...head, suitable: false, reason });
    if (needsFeed && !group?.offers.includes(USUAL)) return no('This inlet has no 48 V to run it on.');
    const piece: Piece = { key: 'candidate', part, label: head.label, count: 1 };
    const chain = chainWith(piece, gap, cables, task.source);
    if (!chain)
      return no(`Its connectors do not go between this source and a ${uncapital(inletKind(place.part.kind).label)}.`);
    const line: Line = {
      id,
      name: task.line.name,
      source: task.source,
      links: partsOf(chain),
      ...siteOf(place, feed as FeedName),
    };
    return judged(head, line, document, kind.nature === 'supply' || planningOf(part.kind)?.passesPower === true);
  });
}

/** The settings and figures by which a piece of the kit is one that is looked at; what is set by hand does not count. */
const alike = (own: Part, wanted: Part): boolean => {
  if (own.kind !== wanted.kind) return false;
  const power = wanted.choices?.power;
  return power === undefined || reader(linkKind(own.kind), own).choice('power') === power;
};

function chainWith(
  piece: Piece,
  gap: Parameters<typeof connections>[0],
  cables: readonly Piece[],
  source: Part,
): Chain | undefined {
  const direct = connections(gap, [...cables, piece]).find((steps) =>
    steps.some((step) => step.piece.key === piece.key),
  );
  if (direct)
    return {
      source,
      steps: direct.map((step) => (step.piece.key === piece.key ? { ...step, part: piece.part } : step)),
    };
  const base = connections(gap, cables)[0];
  return base && inserted({ source, steps: base }, { piece, part: piece.part });
}

function judged(
  head: Pick<SupplyOption, 'label' | 'kind' | 'runsOn' | 'owned'>,
  line: Line,
  document: RigDocument,
  feeds: boolean,
): SupplyOption {
  try {
    const { verdict, findings, solved } = judgeLine(line, schoolsOf(document));
    const suitable = verdict === 'Clear' || verdict === 'Watch';
    const worst = SEVERITIES.filter((severity) => severity !== 'note')
      .map((severity) => findings.find((finding) => finding.severity === severity))
      .find(Boolean);
    const own = solved.supplies.find(({ stake }) => stake.part === 'source' && !stake.battery);
    const gives = planningOf(head.kind)?.gives;
    const other = own && gives && own.stake.wants !== gives;
    if (suitable && other)
      return {
        ...head,
        verdict,
        suitable: false,
        reason: `It gives ${gives}; ${own.stake.what} is made for ${own.stake.wants}.`,
      };
    const needless = suitable && feeds && !own;
    return {
      ...head,
      verdict,
      suitable: suitable && !needless,
      reason: needless
        ? 'The source takes no power from the line: there is nothing for it to do.'
        : reasonOf(
            worst,
            own && {
              volts: own.volts,
              needs: own.stake.needs.value,
              what: own.stake.what,
              stated: isStated(own.stake.needs.basis),
            },
            solved.level?.gainNeeded,
          ),
    };
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    return { ...head, suitable: false, reason: `Its circuit has no answer: ${error.message}` };
  }
}

function reasonOf(
  worst: Finding | undefined,
  own: { volts: Volts; needs: Volts; what: string; stated: boolean } | undefined,
  gainNeeded: number | undefined,
): string {
  if (worst) return `${worst.what}. ${worst.why}`;
  if (own)
    return `${own.what} gets ${quantity(own.volts, 'V')}; ${own.stated ? 'needs' : 'usually needs'} ${quantity(own.needs, 'V')}.`.replace(
      /^./,
      (c) => c.toUpperCase(),
    );
  return gainNeeded === undefined
    ? 'It works.'
    : `It works; the inlet then needs ${quantity(gainNeeded, 'dB')} of gain.`;
}
