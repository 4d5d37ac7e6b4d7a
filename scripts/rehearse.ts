/**
 * Makes the rehearsal that lies behind the demo rigs: three evenings of measurements, a hunt, a ladder, a set-up with its
 * line check and a strike, each as somebody would do it in the application, with the simulated interface for an inlet.
 * Usage: npm run rehearse (writes demo/rehearsal.json)
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { noiseBudget } from '@/core/noise/budget';
import { componentsOf } from '@/core/noise/components';
import { huntView, stepSpectrum, suspectsOf, type Hunt } from '@/core/noise/hunt';
import { LADDERS, ladderKind, ladderResult, type Rung, type RungReading } from '@/core/noise/ladder';
import { predictedOf } from '@/core/noise/kept';
import { measurementOf, type Measurement } from '@/core/noise/measurement';
import { computedTones, expectedOn, heardOn, humTones } from '@/core/mains';
import { contactOf, interfaceScene, renderer } from '@/core/noise/simulated';
import { begunText, measuredText, stepText } from '@/core/noise/told';
import { rigPath, schoolsOf, type RigDocument } from '@/core/rig';
import { roomOf } from '@/core/rig/places';
import { aimFor, checkable, feedsOf, type Report, type SheetState } from '@/core/runsheet';
import { peakTargetOf } from '@/core/schools';
import { recordingMeter } from '@/core/signal';
import { openStore } from '@/store/database';
import { loadDemo, REHEARSED } from '@/store/demo';
import { addEntries } from '@/store/log';
import { beginHunt, changeHunt, keepLadder, keepMeasurement } from '@/store/noise';
import { loadRig } from '@/store/rigs';
import type { Store } from '@/store/store';
import { loadSwitching, reportSwitching, type SheetReport } from '@/store/switching';

const RATE = 48_000;
/** Seconds of each recording. */
const LENGTH = 12;
/** The laptop's jack is not clean, which nobody knows yet. */
const TARNISHED = contactOf(['tarnished-jack']);
const [WRONG, MENDED] = ['lock-nine', 'lock-nine-mended'];

/** Rigs of the demo, and the time of a rehearsal evening, which goes on while things are done. */
class Evening {
  /** @param louder how much louder than stated its places are, in dB */
  constructor(
    private readonly store: Store,
    private seconds: number,
    private readonly louder: number,
  ) {}

  /** Lets so much time pass. @returns what the clock then shows */
  after(seconds: number): string {
    this.seconds += seconds;
    return new Date(this.seconds * 1000).toISOString();
  }

  rig(id: string): RigDocument {
    return loadRig(this.store, id)!.document;
  }

  note(rig: string, who: string, text: string, lines: string[] = []): void {
    addEntries(this.store, rig, { at: this.after(150), who }, [{ kind: 'note', text, lines }]);
  }

  /** Records a line and keeps the figures. @param off units that are unplugged or out of the loop */
  measure(rig: string, who: string, line: string, name: string, off: readonly string[] = []): void {
    const document = this.rig(rig);
    const { measurement, gain } = recorded(document, line, { name, on: unitsBut(document, off), louder: this.louder });
    const path = rigPath(document, line)!;
    const hum = computedTones(heardOn(document, line));
    const budget = noiseBudget(path.line, { ...stateOf(document, line), gain, ...(hum && { hum }) });
    const predicted = 'reason' in budget ? undefined : predictedOf(budget);
    const kept = { line, who, origin: 'simulated', name, gain, measurement, predicted, at: this.after(100) } as const;
    keepMeasurement(this.store, rig, kept, measuredText(kept));
  }

  /** Measures what the hunt asks for until it is done. */
  hunt(rig: string, who: string, line: string): void {
    const document = this.rig(rig);
    const { name } = document.lines.find(({ id }) => id === line)!;
    const wanted: Hunt = {
      line,
      way: 'take-away',
      suspects: suspectsOf(document, line),
      steps: [],
      expected: expectedOn(document, line),
    };
    let saved = beginHunt(this.store, rig, wanted, { at: this.after(120), who, text: begunText(wanted, name) });
    for (;;) {
      const { next } = huntView(saved.hunt);
      if (!next) return;
      const { measurement } = recorded(document, line, { name: `hunt ${saved.version}`, on: next.on });
      const step = { on: next.on, components: componentsOf(measurement.reading), spectrum: stepSpectrum(measurement) };
      const at = this.after(75);
      const told = { at, who, text: stepText(saved.hunt, step) };
      saved = changeHunt(this.store, rig, saved.id, saved.version, { step: { ...step, at } }, told)!;
    }
  }

  ladder(rig: string, who: string, line: string): void {
    const document = this.rig(rig);
    const kind = ladderKind(rigPath(document, line)!.line)!;
    const readings = LADDERS[kind].map(({ rung }): RungReading => {
      this.after(110);
      const { measurement, gain } = recorded(document, line, { name: `ladder ${rung}`, rung });
      return { rung, gain, plain: measurement.plain, weighted: measurement.weighted };
    });
    const { text } = ladderResult(kind, readings);
    keepLadder(this.store, rig, { line, at: this.after(30), who, kind, readings }, `Ladder: ${text}`);
  }

  report(rig: string, who: string, report: SheetReport['report']): void {
    this.after(12);
    const { version } = loadSwitching(this.store, rig)!;
    reportSwitching(this.store, rig, { version, who, report }, this.seconds * 1000);
  }

  /** A sheet from its first step to its last; waits are waited for. */
  sheet(rig: string, who: string, kind: 'set-up' | 'strike'): void {
    const { rig: room, session } = loadSwitching(this.store, rig)!;
    const lines = room.lines.map(({ id }) => id);
    const aim = aimFor(kind, room, session.state, feedsOf(this.rig(rig)), lines);
    this.report(rig, who, { report: 'begin', aim });
    for (;;) {
      const { session: now } = loadSwitching(this.store, rig)!;
      const [step] = now.steps;
      if (!step) return;
      if (now.until !== undefined) this.after(Math.max(0, now.until - this.seconds));
      this.report(rig, who, doneOr(now.state.feeds, step.action));
    }
  }

  lineCheck(rig: string, who: string, found: Record<string, Partial<Extract<Report, { report: 'checked' }>>>): void {
    const { rig: room, session } = loadSwitching(this.store, rig)!;
    for (const { id } of checkable(room, session.state))
      this.report(rig, who, { report: 'checked', line: id, bad: [], ...found[id] });
  }
}

/** A step done; a feed that came up off with its power is found so. */
function doneOr(feeds: SheetState['feeds'], action: { do: string; to?: string; group?: string }): Report {
  const { do: what, to, group } = action;
  return what === 'feed' && to === 'off' && feeds[group!].darkSince !== undefined
    ? { report: 'found', what: { feed: group!, is: 'off' } }
    : { report: 'done' };
}

const unitsBut = ({ units = [] }: RigDocument, off: readonly string[]): string[] =>
  units.map(({ id }) => id).filter((id) => !off.includes(id));

function stateOf(document: RigDocument, line: string, louder = 0) {
  const stated = roomOf(document, line);
  const raised = <T extends { level: number }>(one: T): T => ({ ...one, level: one.level + louder });
  const room = stated && ('bands' in stated ? { bands: stated.bands.map(raised) } : raised(stated));
  return { target: peakTargetOf(schoolsOf(document)), room };
}

/** What the simulated interface records on a line, measured. */
function recorded(
  document: RigDocument,
  line: string,
  { name, on, rung, louder = 0 }: { name: string; on?: readonly string[]; rung?: Rung; louder?: number },
): { measurement: Measurement; gain: number } {
  const path = rigPath(document, line)!;
  const found = interfaceScene(path.line, {
    ...stateOf(document, line, louder),
    picked: humTones(document, line, { on: on ?? unitsBut(document, []), contact: TARNISHED }),
    ...(rung && { rung }),
  });
  if ('reason' in found) throw new Error(`${line}: ${found.reason}`);
  const frames = LENGTH * RATE;
  const meter = recordingMeter(RATE, 1, frames);
  const sound = renderer(found.scene, RATE, `${line} ${name}`);
  for (let n = 0; n < frames; n += RATE) meter.push([sound.next(RATE)]);
  const measurement = measurementOf(meter, 0);
  // What the application would not keep is not kept here either.
  if (!measurement.reading.usable) throw new Error(`${line}, ${name}: ${measurement.reading.reasons[0].text}`);
  return { measurement, gain: found.gain };
}

const evening = (store: Store, day: number, louder: number) =>
  new Evening(store, Date.UTC(2026, 4, day, 17, 30) / 1000, louder);

function rehearse(store: Store): void {
  // The first evening: it hums, and who it is is found.
  const first = evening(store, 6, 1.2);
  first.note(WRONG, 'Jo', 'First look on board: shore power only, generator not run. Cases are in the forepeak.');
  for (const line of ['laptop', 'piano-left']) first.measure(WRONG, 'Jo', line, 'Empty hold, everything on');
  first.note(WRONG, 'Jo', 'Hum on the laptop’s playback, and a whine above it. Nothing of it in the wheelhouse.', [
    'laptop',
  ]);
  first.hunt(WRONG, 'Jo', 'laptop');
  first.measure(WRONG, 'Ida', 'guide', 'Wheelhouse, pumps off');
  first.measure(WRONG, 'Ida', 'hydrophone', 'Sluices shut');

  // The second: the charger has gone, the loop has not.
  const second = evening(store, 7, -0.6);
  second.note(WRONG, 'Ida', 'Phone charger moved to the second strip.');
  for (const line of ['laptop', 'piano-left'])
    second.measure(WRONG, 'Ida', line, 'Empty hold, charger gone', ['phone-charger']);
  second.measure(WRONG, 'Jo', 'guide', 'Wheelhouse, pumps off');
  second.ladder(WRONG, 'Jo', 'guide');

  // The third: the laptop runs on its battery; then everything as it is put right, from the cases and back into them.
  const third = evening(store, 8, 0.3);
  third.note(WRONG, 'Jo', 'Laptop on its battery until an isolating transformer is here.', ['laptop']);
  for (const line of ['laptop', 'piano-left'])
    third.measure(WRONG, 'Jo', line, 'Empty hold, laptop on battery', ['phone-charger', 'laptop']);
  third.measure(WRONG, 'Ida', 'guide', 'Wheelhouse, pumps off');
  third.measure(WRONG, 'Ida', 'hydrophone', 'Sluices shut');

  const last = evening(store, 8, 0.5);
  last.after(3600);
  last.report(MENDED, 'Ida', { report: 'start', from: 'packed' });
  last.sheet(MENDED, 'Ida', 'set-up');
  last.lineCheck(MENDED, 'Jo', {
    announcer: { bad: ['label'], note: 'says “Guide”; relabelled' },
    'guide-body-worn': { bad: ['gain'], note: '3 dB down, was clipping' },
  });
  for (const [line, name] of [
    ['piano-left', 'Hold, trio has gone'],
    ['guide', 'Wheelhouse, pumps off'],
  ])
    last.measure(MENDED, 'Jo', line, name);
  last.note(MENDED, 'Ida', 'Run through once with the trio. Strike in twenty minutes.');
  last.after(1200);
  last.sheet(MENDED, 'Ida', 'strike');
}

const folder = mkdtempSync(join(tmpdir(), 'inlet-check-rehearsal-'));
const store = openStore(join(folder, 'rehearsal.sqlite'));
loadDemo(store, 'demo', { rehearsed: false });
const before = Number(store.prepare('SELECT max(id) FROM log_entry').pluck().get() ?? 0);
rehearse(store);
const tables = Object.entries(REHEARSED).map(([table, columns]) => {
  const rows = store
    .prepare(
      `SELECT ${columns.join(', ')} FROM ${table} ${table === 'log_entry' ? `WHERE id > ${before}` : ''} ORDER BY rowid`,
    )
    .all();
  return `  ${JSON.stringify(table)}: [\n${rows.map((row) => `    ${JSON.stringify(row)}`).join(',\n')}\n  ]`;
});
writeFileSync('demo/rehearsal.json', `{\n${tables.join(',\n')}\n}\n`);
store.close();
rmSync(folder, { recursive: true });
