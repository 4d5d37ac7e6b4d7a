import type { Judge } from '../../rigcheck/judging';
import { lineSummary } from '../../check/result';
import { linkKind, reader, sourceKind, UNITS, type AnyKind, type Part } from '../../gear';
import { schoolsOf, type RigDocument } from '../../rig/document';
import { rigPaths } from '../../rig/paths';
import { FEEDS, type FeedName } from '../../standards/feeds';

/** A microphone, box or supply that lives on cells of its own. */
export interface OwnCells {
  line: string;
  lineName: string;
  name: string;
  /** What is drawn from its cells, in mA. */
  milliamps: number;
  hours: number;
}

/** Share of the charge that is used before it falls silent (from memory, as for alkaline cells). */
const USABLE = 0.7;
/** Efficiency of a supply box's converter (an assumption of ours). */
const CONVERTER = 0.75;

/** Everything on a rig that runs on cells of its own now, shortest first. */
export function ownCells(document: RigDocument, judge: Judge = lineSummary): OwnCells[] {
  const schools = schoolsOf(document);
  const seen = new Set<string>();
  return rigPaths(document)
    .flatMap(({ line, owners, source }): OwnCells[] => {
      const given = (): { part: string | number; feed: string; amps: number }[] => judge(line, schools).readings.feeds;
      const cell = (part: Part, kind: AnyKind, key: string, passedOn: (volts: number) => number): OwnCells[] => {
        const read = reader(kind, part);
        if (!('cellCharge' in kind.figures) || seen.has(key)) return [];
        const off = 'battery' in kind.choices ? read.choice('battery') === 'off' : read.choice('power') !== 'battery';
        if (off) return [];
        seen.add(key);
        const milliamps = read.value('cellDrain') * 1000 + passedOn(read.value('cellVolts'));
        return [
          {
            line: line.id,
            lineName: line.name,
            name: part.name ?? kind.label,
            milliamps,
            hours: (read.value('cellCharge') / UNITS.mAh) * (USABLE / milliamps),
          },
        ];
      };
      return [
        ...cell(line.source, sourceKind(line.source.kind), `source ${source}`, () => 0),
        ...line.links.flatMap((part, n) => {
          const kind = linkKind(part.kind);
          const feed = part.choices?.feed ?? kind.choices.feed?.standard;
          return cell(part, kind, `${owners[n].line} ${owners[n].link}`, (volts) => {
            const amps = given().find((each) => each.part === n)?.amps ?? 0;
            const feedVolts = feed && feed in FEEDS ? FEEDS[feed as Exclude<FeedName, 'off'>].volts : 0;
            return (1000 * amps * feedVolts) / (volts * CONVERTER);
          });
        }),
      ];
    })
    .toSorted((a, b) => a.hours - b.hours);
}
