import { judgeAsDrawn } from '../check/check';
import { answered } from '../circuit';
import { CONNECTORS, isCable, linkKind, reader, type Part } from '../gear';
import { openBudget } from '../noise/budget';
import {
  endsInLink,
  rigPath,
  schoolsOf,
  startsAtLink,
  type LineGround,
  type RigDocument,
  type RigLine,
  type Unit,
} from '../rig';
import { peakTargetOf } from '../schools';
import type { Decibels, Farads, Metres, Ohms, Volts } from '../units';
import { CONTACT, CONVERSION, PIN_ONE, SHIELD_PER_METRE, TIE } from './figures';
import { coilFlux, leadFlux } from './fields';

/** How a line hears what lies between the grounds at its ends. */
export interface Hearing {
  line: string;
  name: string;
  how: 'unbalanced' | 'balanced' | 'transformer';
  /** Share of the shield that the signal returns over; the rest is balanced. */
  unbalanced: number;
  /** What a transformer on the way makes of it, as a ratio. */
  ratio: number;
  /** Of common-mode voltage, as a ratio; stated or usual. */
  conversion: number;
  /** What the inlet's signal ground shares with the shield. */
  pinOne: Ohms;
  /** From dBu at the inlet to dBFS, at the gain of the plan; absent where nothing arrives. */
  toDbfs?: Decibels;
  /** Its level rests on a stated rejection. */
  rejectionStated?: true;
}

/** What a lead or a coil beside a line induces in the loop that it closes. */
export interface Stray {
  unit: string;
  /** In webers: per ampere that the lead carries, or of a coil as it is. */
  flux: number;
  coil: boolean;
  distance: Metres;
}

/** Something that joins the grounds of two units. */
export interface Tie {
  id: string;
  name: string;
  between: [string, string];
  /** Undefined where the shield is open. */
  ohms?: Ohms;
  /** A capacitor joins the shield where it is open to direct current. */
  farads?: Farads;
  /** It joins cases, not audio grounds. */
  metal?: true;
  hears?: Hearing;
  /** Between its shells when it is unplugged, measured; RMS; and what was calculated there at the time. */
  shells?: { measured: Volts; against?: Volts };
  strays?: Stray[];
}

/** How lines hear, by the line as the document has it: what is plugged elsewhere changes nothing in that. */
export type Hearings = WeakMap<RigLine, { host?: RigLine; hears?: Hearing }>;

/**
 * Everything that joins grounds: lines with a unit at both ends, and what the document states besides.
 * @param only the line that is listened to, where the others need no ears
 */
export const tiesOf = (document: RigDocument, units: readonly Unit[], hearings: Hearings, only?: string): Tie[] => [
  ...lineTies(document, units, hearings, only),
  ...connectionTies(document),
];

const connectionTies = ({ mains, units = [] }: RigDocument): Tie[] =>
  (mains?.connections ?? []).map(({ between, kind, isolated }, n) => ({
    id: connectionId(n),
    name: `${kind}: ${between.map((id) => units.find((unit) => unit.id === id)?.name ?? id).join(' – ')}`,
    between,
    ...(!isolated && { ohms: TIE }),
    ...((kind === 'metal' || kind === 'bond') && { metal: true as const }),
  }));

const CONNECTION = 'connection ';
const connectionId = (at: number): string => `${CONNECTION}${at + 1}`;
/** Which of the stated connections a tie is; undefined for lines. */
export const connectionOf = (tie: string): number | undefined =>
  tie.startsWith(CONNECTION) ? Number(tie.slice(CONNECTION.length)) - 1 : undefined;

/** Every line whose ends are both units of the job. */
function lineTies(document: RigDocument, units: readonly Unit[], hearings: Hearings, only?: string): Tie[] {
  return document.lines.flatMap((line): Tie[] => {
    if (endsInLink(line)) return [];
    const into = units.find(({ device }) => device === line.inlet.device);
    const host = startsAtLink(line) ? document.lines.find(({ id }) => id === line.source.from.line) : undefined;
    const from = startsAtLink(line)
      ? host && !endsInLink(host) && units.find(({ device }) => device === host.inlet.device)
      : units.find((unit) => unit.line === line.id);
    if (!into || !from || into.id === from.id) return [];
    // What a splitter joins lies behind it on the other line, too.
    const split = startsAtLink(line) ? host!.links.find(({ id }) => id === line.source.from.link) : undefined;
    const behind = split ? host!.links.slice(host!.links.indexOf(split) + 1) : [];
    const parts = [...(split ? [split] : []), ...line.links, ...behind];
    const listens = only === undefined || only === line.id;
    const kept = hearings.get(line);
    const typical = kept && kept.host === host ? kept.hears : listens ? hearingOf(document, line) : undefined;
    if (listens) hearings.set(line, { ...(host && { host }), ...(typical && { hears: typical }) });
    const ground = document.mains?.lines?.find((each) => each.line === line.id);
    const contact = ground?.contact?.value ?? 0;
    const hears = typical && asMeasured(typical, ground, contact, shieldOhms(parts));
    return [
      {
        id: line.id,
        name: line.name,
        between: [from.id, into.id],
        ...shieldOf(parts, contact),
        ...(hears && { hears }),
        ...(ground?.shells && {
          shells: {
            measured: ground.shells.value * 1e-3,
            ...(ground.against && { against: ground.against.value * 1e-3 }),
          },
        }),
        ...straysOf(document, line.id),
      },
    ];
  });
}

/** A hearing with what somebody has measured of it; contacts that are not clean are taken to be at its source. */
function asMeasured(hears: Hearing, ground: LineGround | undefined, contact: Ohms, shield: Ohms): Hearing {
  if (!ground) return hears;
  const { pinOne, rejection } = ground;
  return {
    ...hears,
    unbalanced: hears.unbalanced && (hears.unbalanced * shield + contact) / (shield + contact),
    ...(pinOne && { pinOne: pinOne.value }),
    ...(rejection && { conversion: 10 ** (-rejection.value / 20), rejectionStated: true as const }),
  };
}

function straysOf({ mains }: RigDocument, line: string): { strays?: Stray[] } {
  const beside = mains?.beside?.filter((each) => each.line === line) ?? [];
  return beside.length
    ? {
        strays: beside.map(({ unit, distance, length, angle, coil }): Stray => {
          const radians = ((angle?.value ?? 0) * Math.PI) / 180;
          return {
            unit,
            coil: coil === true,
            distance: distance.value,
            flux: (coil ? coilFlux : leadFlux)(distance.value, length.value, radians),
          };
        }),
      }
    : {};
}

/** How pin 1 goes through all of it: over wire, over a capacitor, or not at all. */
function shieldOf(parts: readonly Part[], contact: Ohms): { ohms?: Ohms; farads?: Farads } {
  const broken = parts.some((part) => {
    const kind = linkKind(part.kind);
    const lifted = 'ground' in kind.choices && reader(kind, part).choice('ground') === 'lifted';
    return (
      lifted ||
      part.faults?.some((fault) => fault.type === 'open' && (fault.contact === '1' || fault.contact === 'S')) === true
    );
  });
  if (broken) return {};
  const capacitors = parts.flatMap((part) => linkKind(part.kind).shieldOver ?? []);
  return capacitors.length
    ? { farads: 1 / capacitors.reduce((sum, farads) => sum + 1 / farads, 0) }
    : { ohms: shieldOhms(parts) + contact };
}

const shieldOhms = (parts: readonly Part[]): Ohms =>
  parts.reduce((sum, part) => sum + (isCable(part) ? lengthOf(part) * SHIELD_PER_METRE + CONTACT : 0), CONTACT);

const lengthOf = (part: Part): Metres => reader(linkKind(part.kind), part).value('length');

/** How a line hears; undefined for one whose circuit has no answer. */
function hearingOf(document: RigDocument, { id, name }: RigLine): Hearing | undefined {
  const line = rigPath(document, id)?.line;
  if (!line) return undefined;
  const schools = schoolsOf(document);
  return answered(() => {
    const { solved, findings } = judgeAsDrawn(line, schools);
    const budget = openBudget(line, { target: peakTargetOf(schools) });
    const at = line.links.findIndex((part) => linkKind(part.kind).breaksLoops);
    const single = solved.circuit.junctions.map(({ plug }) => {
      const { pairs, reference } = CONNECTORS[plug];
      return pairs[0].includes(reference);
    });
    // A plug with three contacts all the same returns the signal over the shield where its cold one is joined to that.
    const joined = solved.circuit.links.map(({ input, output, paths }, n) => {
      const [from, to] = [CONNECTORS[input].reference, CONNECTORS[output].reference];
      return (
        paths.some((path) => path.look === 'wire' && path.from === from && path.to !== to) ||
        line.links[n].faults?.some(({ type }) => type === 'shield to cold') === true
      );
    });
    const entry = findings.some(({ code }) => code === 'unbalanced-entry');
    const [box] = at < 0 ? [] : [line.links[at]];
    const unbalanced =
      (!box && entry) || single.slice(0, box && at + 1).some(Boolean) || joined.slice(0, box && at).some(Boolean);
    const share = box ? shieldOhms(line.links.slice(0, at)) / shieldOhms(line.links) : 1;
    return {
      line: id,
      name,
      how: box ? 'transformer' : unbalanced ? 'unbalanced' : 'balanced',
      unbalanced: unbalanced ? share : 0,
      ratio: box && 'ratio' in linkKind(box.kind).figures ? 1 / reader(linkKind(box.kind), box).value('ratio') : 1,
      conversion: CONVERSION,
      pinOne: PIN_ONE,
      ...(!('reason' in budget) && { toDbfs: budget.toDbfs }),
    };
  });
}
