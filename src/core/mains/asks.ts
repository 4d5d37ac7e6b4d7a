import { schoolsOf, type RigDocument } from '../rig';
import { UNIT_FIGURES } from '../rig/deviceFigures';
import type { Figure } from '../gear';
import type { FloorMeter } from '../schools/schools';
import type { Dbfs, Decibels } from '../units';
import { quantity } from '../units/format';
import { withMainsEdit, withOutlet } from './edits';
import { CURRENTS, EARTHED_LEAK, FLOATING_LEAK, LONGEST_LEAD } from './figures';
import type { MainsReport } from './findings';
import { SILENT, type LineHum } from './hearing';
import { byMeter, readIn } from './humFindings';
import { lineLevels } from './readings';
import { isPlugKnown, mainsSystem, type MainsSystem, type MainsUnit } from './system';
import type { Hearings } from './ties';

/** Something nobody has said that decides whether a line is above the target. */
export interface MainsAsk {
  line: string;
  about:
    | { unit: string; figure: 'current' | 'leakage' }
    | { unit: string; figure: 'plug' }
    | { outlet: string; figure: 'length' };
  /** What is asked for. */
  what: string;
  /** What the line hears with either. */
  why: string;
  /** From the one to the other. */
  apart: Decibels;
}

/** Lines that are looked at: those nearest to the target. */
const LINES = 3;
/** Farther from the target than this, no single figure decides. */
const NEAR: Decibels = 30;
/** What gives less of a hum than this decides nothing. */
const COUNTS = 0.05;
/** Most that is asked for at a time. */
const MOST = 3;
/** How far a current may be from what its kind usually takes, either way (assumed). */
const SPREAD = 4;
/** Leads of strips are from here to the longest (assumed). */
const SHORTEST = 1;

/** One thing at its two ends. */
interface Trial {
  about: MainsAsk['about'];
  what: string;
  ends: readonly { said: string; document: RigDocument }[];
}

/**
 * What is worth finding out: figures and plugs that nobody has stated and that put a line above the target with one value
 * that is usual, and below it with another. Nothing else needs to be asked.
 */
export function mainsAsks(document: RigDocument, { system, readings }: MainsReport): MainsAsk[] {
  const { floorMeter, noiseFloor } = schoolsOf(document);
  const [meter, target] = [floorMeter as FloorMeter, Number(noiseFloor)];
  const hearings: Hearings = new WeakMap();
  const asks = byMeter(document, readings.lines)
    .filter(({ line, dbfs }) => Math.abs(dbfs - target) < NEAR && !isMeasured(document, line))
    .sort((a, b) => Math.abs(a.dbfs - target) - Math.abs(b.dbfs - target))
    .slice(0, LINES)
    .flatMap(({ line: hum }) =>
      trials(document, system, hum).flatMap(({ about, what, ends }): MainsAsk[] => {
        const levels = ends.map((end): Dbfs => {
          const reads = lineLevels(mainsSystem(end.document, hearings, hum.line), hum.line);
          return (reads?.[meter] ?? SILENT) + hum.toDbfs!;
        });
        const [low, high] = [Math.min(...levels), Math.max(...levels)];
        if (low > target || high <= target) return [];
        const told = ends.map(
          ({ said }, n) => `${levels[n] <= SILENT + hum.toDbfs! ? 'nothing' : readIn(document, levels[n])} ${said}`,
        );
        const why = `${hum.name} hears ${told.join(' and ')}; your target is ${quantity(target, 'dBFS')}.`;
        return [{ line: hum.line, about, what, why, apart: high - low }];
      }),
    )
    .sort((a, b) => b.apart - a.apart);
  // What decides for several lines is asked for once.
  const seen = new Set<string>();
  return asks.filter(({ about }) => !seen.has(JSON.stringify(about)) && seen.add(JSON.stringify(about))).slice(0, MOST);
}

/** A line whose shells somebody has measured says by itself how much runs on it. */
const isMeasured = ({ mains }: RigDocument, { line }: LineHum): boolean =>
  mains?.lines?.some((own) => own.line === line && own.shells) ?? false;

/** What nobody has stated of whatever a line hears. */
function trials(document: RigDocument, system: MainsSystem, { line, shares }: LineHum): Trial[] {
  const counting = (way: LineHum['shares'][number]['way']): MainsUnit[] =>
    shares
      .filter((each) => each.way === way && each.share >= COUNTS)
      .flatMap(({ unit }) => system.units.find(({ id }) => id === unit) ?? []);
  const ends = system.ties
    .find(({ hears }) => hears?.line === line)!
    .between.flatMap((id) => system.units.find((unit) => unit.id === id) ?? []);
  return [
    ...counting('induction').flatMap((unit) => currentOf(document, unit)),
    ...counting('leakage').flatMap((unit) => leakageOf(document, unit)),
    ...ends.flatMap((unit) => plugOf(document, unit)),
    ...[...new Set(ends.flatMap(({ outlet }) => wayTo(system, outlet)))].flatMap((name) => lengthOf(document, name)),
  ];
}

function currentOf(document: RigDocument, { id, name, kind, assumed }: MainsUnit): Trial[] {
  if (!assumed) return [];
  const usual = CURRENTS[kind];
  return [figureOf(document, id, 'current', `Current of ${name}`, [usual / SPREAD, usual * SPREAD])];
}

function leakageOf(document: RigDocument, { id, name }: MainsUnit): Trial[] {
  if (document.units?.find((unit) => unit.id === id)?.leakage) return [];
  return [figureOf(document, id, 'leakage', `Filter capacitor of ${name}`, [FLOATING_LEAK * 1e9, EARTHED_LEAK * 1e9])];
}

function figureOf(
  document: RigDocument,
  unit: string,
  figure: 'current' | 'leakage',
  what: string,
  values: readonly number[],
): Trial {
  const { unit: of } = UNIT_FIGURES[figure];
  return {
    about: { unit, figure },
    what,
    ends: values.map((value) => ({
      said: `with ${quantity(value, of)}`,
      document: withMainsEdit(document, { do: 'figure', unit, figure, to: assumed(value, of) }),
    })),
  };
}

function plugOf(document: RigDocument, { id, name, plug }: MainsUnit): Trial[] {
  if (plug === 'cells' || isPlugKnown(document, id)) return [];
  return [
    {
      about: { unit: id, figure: 'plug' },
      what: `Plug of ${name}`,
      ends: (['two-pin', 'three-pin'] as const).map((to) => ({
        said: to === 'two-pin' ? 'with two pins' : 'with an earth pin',
        document: withMainsEdit(document, { do: 'plug', unit: id, plug: to }),
      })),
    },
  ];
}

function lengthOf(document: RigDocument, outlet: string): Trial[] {
  if (document.mains?.outlets?.find(({ name }) => name === outlet)?.length) return [];
  return [
    {
      about: { outlet, figure: 'length' },
      what: `Length of the lead of ${outlet}`,
      ends: [SHORTEST, LONGEST_LEAD.length].map((metres) => ({
        said: `with ${quantity(metres, 'm')}`,
        document: withOutlet(document, outlet, (own) => ({ ...own, length: assumed(metres, 'm') })),
      })),
    },
  ];
}

const assumed = (value: number, unit: Figure['unit']): Figure => ({ value, unit, basis: 'assumed' });

/** Outlets from one to the wall. */
function wayTo({ outlets }: MainsSystem, outlet: string | undefined): string[] {
  const way: string[] = [];
  for (let at = outlet; at !== undefined; at = outlets.find(({ name }) => name === at)?.from) way.push(at);
  return way;
}
