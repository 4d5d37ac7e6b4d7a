import type { RigResult } from '@/core/rigcheck';
import { inletKind, inletReader, linkKind, partAt, questions, sourceKind, type Part } from '@/core/gear';
import { floorAs, type KeptMeasurement } from '@/core/noise/kept';
import { pieceLabel } from '@/core/plan/pieces';
import { inletName, rigPaths, type RigDocument } from '@/core/rig';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import { quantity, uncapital } from '@/core/units/format';
import { rows as text } from './texts';

/** One line of the input list with everything that is known of it, in words. */
export interface HandOverRow {
  id: string;
  name: string;
  /** Where it stands. */
  place: string;
  source: string;
  /** From source to inlet. */
  links: string;
  inlet: string;
  /** As the switch is set on paper; empty for an inlet that has none. */
  feed: string;
  gain: string;
  verdict: string;
  findings: string[];
  /** Who answered what of its parts. */
  answers: string[];
  /** What nobody has said yet. */
  open: string[];
  /** Its noise floor as it was last measured. */
  measured: string;
  note: string;
}

const kindOf = (ref: 'source' | 'link', { kind }: Part) => (ref === 'source' ? sourceKind(kind) : linkKind(kind));

/** What is set by hand on a part, as far as it is not as usual. */
function settings(ref: 'source' | 'link', part: Part): string[] {
  return Object.entries(kindOf(ref, part).choices).flatMap(([name, { setting, label, options, standard }]) => {
    const value = part.choices?.[name];
    if (!setting || value === undefined || value === standard) return [];
    return [`${uncapital(label)} ${options.find((option) => option.value === value)?.label ?? value}`];
  });
}

const faults = ({ faults: known = [] }: Part): string[] => (known.length ? [text.hasAFault] : []);

function partWords(ref: 'source' | 'link', part: Part): string {
  const kind = kindOf(ref, part).label;
  const name = ref === 'link' ? pieceLabel(part) : (part.name?.trim() ?? '');
  const more = [...(name && name !== kind && ref === 'source' ? [kind] : []), ...settings(ref, part), ...faults(part)];
  return `${name || kind}${more.length ? ` (${more.join(', ')})` : ''}`;
}

/** Answers that somebody gave about a part: which, by whom, when. */
const answersOf = (ref: 'source' | 'link', part: Part): string[] =>
  Object.entries(part.facts ?? {}).map(([name, { who, when, where }]) => {
    const kind = kindOf(ref, part);
    const choice = kind.choices[name];
    const figure = part.figures?.[name];
    const value = choice
      ? (choice.options.find((option) => option.value === part.choices?.[name])?.label ?? part.choices?.[name])
      : figure && `${figure.value} ${figure.unit}`;
    const what = uncapital(choice?.label ?? kind.figures[name]?.label ?? name);
    return `${part.name ?? kind.label}, ${what}: ${value ?? text.notStated} (${[who, when, where].filter(Boolean).join(', ')})`;
  });

/** The input list of a rig with everything on it, in the document's order. */
export function handOverRows(
  document: RigDocument,
  { lines, unsolved }: Pick<RigResult, 'lines' | 'unsolved'>,
  measurements: readonly KeptMeasurement[],
): HandOverRow[] {
  const results = new Map(lines.map((line) => [line.id, line]));
  const reasons = new Map(unsolved.map(({ id, message }) => [id, message]));
  return rigPaths(document).map(({ line, inlet, source }): HandOverRow => {
    const device = document.devices.find(({ id }) => id === inlet.device)!;
    const result = results.get(line.id);
    const own = document.lines.find(({ id }) => id === line.id)!;
    const kind = inletKind(line.inlet.kind);
    const feed = 'feed' in kind.choices ? inletReader(kind, line.inlet).choice('feed') : undefined;
    const level = result?.readings.level;
    const last = measurements.findLast(({ line: of, measurement }) => of === line.id && measurement.reading.usable);
    return {
      id: line.id,
      name: line.name,
      place: document.lines.find(({ id }) => id === source)?.location ?? '',
      source: partWords('source', line.source),
      links: line.links.map((part) => partWords('link', part)).join(' → '),
      inlet: inletName(
        device,
        device.inlets.find(({ id }) => id === inlet.inlet)!,
      ),
      feed: feed === undefined ? '' : feedLabel(feed as FeedName),
      gain: level
        ? `${quantity(Math.min(Math.max(level.gainNeeded, level.gainMin), level.gainMax), 'dB')}${
            level.gainNeeded > level.gainMax || level.gainNeeded < level.gainMin ? text.wanted(level.gainNeeded) : ''
          }`
        : '',
      verdict: result?.verdict ?? text.notSolved(reasons.get(line.id)),
      findings: (result?.findings ?? []).filter(({ severity }) => severity !== 'note').map(({ what }) => what),
      answers: [...answersOf('source', line.source), ...line.links.flatMap((part) => answersOf('link', part))],
      open: questions(line).map(({ part, choice, spec }) =>
        choice === 'ground' && part === 'inlet'
          ? `${device.name}: ${spec.question.ask}`
          : `${partAt(line, part).name ?? kindName(part, partAt(line, part))}: ${spec.question.ask}`,
      ),
      measured: last ? text.rms(floorAs(last.measurement.reading)['as-set'], last.gain, last.name) : '',
      note: own.note ?? '',
    };
  });
}

const kindName = (ref: 'source' | 'inlet' | number, part: Part): string =>
  ref === 'inlet' ? inletKind(part.kind).label : kindOf(ref === 'source' ? 'source' : 'link', part).label;
