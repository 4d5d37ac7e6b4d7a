import type { Hunt, HuntStep } from '@/core/noise/hunt';
import type { Origin, KeptLadder, KeptMeasurement, WholeMeasurement } from '@/core/noise/kept';
import type { Store } from './store';
import { addEntries } from './log';
import { Refused } from './refused';

/** A hunt and how far it has come. */
export interface SavedHunt {
  id: number;
  /** Counted up with every step. */
  version: number;
  begun: string;
  hunt: Hunt;
}

/** A step of a hunt that has gone on meanwhile; it was not taken. */
export class StaleHunt extends Refused {
  constructor(current: SavedHunt) {
    super(
      409,
      'stale-hunt',
      'Somebody else has measured meanwhile; the hunt has been brought up to date. Look again.',
      { current },
    );
  }
}

interface MeasurementRow {
  id: number;
  line: string;
  at: string;
  who: string;
  origin: Origin;
  name: string;
  gain: number | null;
  measurement: string;
  predicted: string | null;
  audio: number;
}

const columns = (measurement: string) =>
  `id, line, at, who, origin, name, gain, ${measurement} AS measurement, predicted, (audio IS NOT NULL OR sound_bytes IS NOT NULL) AS audio`;

const measurementOf = <M extends KeptMeasurement>({ measurement, predicted, gain, audio, ...row }: MeasurementRow): M =>
  ({
    ...row,
    measurement: JSON.parse(measurement) as M['measurement'],
    ...(gain !== null && { gain }),
    ...(predicted !== null && { predicted: JSON.parse(predicted) as M['predicted'] }),
    ...(audio === 1 && { audio: true as const }),
  }) as M;

/** What lists have of a measurement: without the sound itself, its spectrum and its course. */
const FIGURES = columns("json_remove(measurement, '$.spectrum', '$.course')");

/** What was measured on a rig, or on one of its lines, oldest first: a year of it. */
export const loadMeasurements = (store: Store, rig: string, line?: string): KeptMeasurement[] =>
  (
    store
      .prepare(
        `SELECT ${FIGURES} FROM measurement WHERE rig_id = ? ${line === undefined ? '' : 'AND line = ?'} ORDER BY at, id`,
      )
      .all(...[rig, line].filter((each) => each !== undefined)) as MeasurementRow[]
  ).map(measurementOf<KeptMeasurement>);

/**
 * Of each line of a rig the last usable measurement, and the last one whose gain is known, oldest first: what it is held
 * against. However much was measured, no more than these are read.
 */
export function loadLastMeasurements(store: Store, rig: string): KeptMeasurement[] {
  const lines = store.prepare('SELECT DISTINCT line FROM measurement WHERE rig_id = ?').pluck();
  const figures = store.prepare(`SELECT ${FIGURES} FROM measurement WHERE id = ?`);
  const lastOf = (line: string, which: string): KeptMeasurement | undefined => {
    const newestFirst = store
      .prepare(`SELECT id FROM measurement WHERE rig_id = ? AND line = ? ${which} ORDER BY at DESC, id DESC`)
      .pluck();
    for (const id of newestFirst.all(rig, line)) {
      const each = measurementOf<KeptMeasurement>(figures.get(id) as MeasurementRow);
      if (each.measurement.reading.usable) return each;
    }
    return undefined;
  };
  return (lines.all(rig) as string[]).flatMap((line) => {
    const last = lastOf(line, '');
    const known = last?.gain === undefined ? lastOf(line, 'AND gain IS NOT NULL') : undefined;
    return [known, last].filter((each) => each !== undefined);
  });
}

/** All that was kept of one measurement, but for its sound; undefined if there is none. */
export function loadMeasurement(store: Store, rig: string, id: number): WholeMeasurement | undefined {
  const row = store
    .prepare(`SELECT ${columns('measurement')} FROM measurement WHERE rig_id = ? AND id = ?`)
    .get(rig, id) as MeasurementRow | undefined;
  return row && measurementOf<WholeMeasurement>(row);
}

/**
 * Keeps a measurement and writes it down in the log.
 * @param when it is kept: later than it was made, where it is put back
 * @returns its id
 */
export function keepMeasurement(
  store: Store,
  rig: string,
  kept: Omit<WholeMeasurement, 'id' | 'audio'>,
  text: string,
  when = kept.at,
): number {
  const { line, at, who, origin, name, gain, measurement, predicted } = kept;
  return store
    .transaction(() => {
      const { lastInsertRowid } = store
        .prepare(
          `INSERT INTO measurement (rig_id, line, at, who, origin, name, gain, measurement, predicted)
           VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        )
        .run(
          rig,
          line,
          at,
          who,
          origin,
          name,
          gain ?? null,
          JSON.stringify(measurement),
          predicted ? JSON.stringify(predicted) : null,
        );
      addEntries(store, rig, { at: when, who }, [{ kind: 'measured', text, lines: [line] }]);
      return Number(lastInsertRowid);
    })
    .immediate();
}

/** Takes a measurement out. @returns it, so that it can be put back; undefined if there is none */
export const removeMeasurement = (store: Store, rig: string, id: number): WholeMeasurement | undefined =>
  store
    .transaction(() => {
      const gone = loadMeasurement(store, rig, id);
      store.prepare('DELETE FROM measurement WHERE rig_id = ? AND id = ?').run(rig, id);
      return gone;
    })
    .immediate();

/** Ladders of a rig, oldest first. */
export function loadLadders(store: Store, rig: string): KeptLadder[] {
  const rows = store.prepare('SELECT id, line, at, who, ladder FROM ladder WHERE rig_id = ? ORDER BY id').all(rig) as {
    id: number;
    line: string;
    at: string;
    who: string;
    ladder: string;
  }[];
  return rows.map(({ ladder, ...row }) => ({
    ...row,
    ...(JSON.parse(ladder) as Pick<KeptLadder, 'kind' | 'readings'>),
  }));
}

export function keepLadder(store: Store, rig: string, kept: Omit<KeptLadder, 'id'>, text: string): number {
  const { line, at, who, kind, readings } = kept;
  return store
    .transaction(() => {
      const { lastInsertRowid } = store
        .prepare('INSERT INTO ladder (rig_id, line, at, who, ladder) VALUES (?, ?, ?, ?, ?)')
        .run(rig, line, at, who, JSON.stringify({ kind, readings }));
      addEntries(store, rig, { at, who }, [{ kind: 'measured', text, lines: [line] }]);
      return Number(lastInsertRowid);
    })
    .immediate();
}

interface HuntRow {
  id: number;
  version: number;
  begun: string;
  hunt: string;
}
const huntOf = ({ hunt, ...row }: HuntRow): SavedHunt => ({ ...row, hunt: JSON.parse(hunt) as Hunt });

/** Hunts of a rig, newest first; without the spectra of their steps, which make a year of them large. */
export const loadHunts = (store: Store, rig: string): SavedHunt[] =>
  (
    store.prepare('SELECT id, version, begun, hunt FROM hunt WHERE rig_id = ? ORDER BY id DESC').all(rig) as HuntRow[]
  ).map((row) => {
    const saved = huntOf(row);
    const steps = saved.hunt.steps.map(({ spectrum: _spectrum, ...step }) => step);
    return { ...saved, hunt: { ...saved.hunt, steps } };
  });

export function loadHunt(store: Store, rig: string, id: number): SavedHunt | undefined {
  const row = store.prepare('SELECT id, version, begun, hunt FROM hunt WHERE rig_id = ? AND id = ?').get(rig, id) as
    HuntRow | undefined;
  return row && huntOf(row);
}

/** Begins a hunt. @param told what the log says of it */
export function beginHunt(store: Store, rig: string, hunt: Hunt, { at, who, text }: Told): SavedHunt {
  return store
    .transaction(() => {
      const { lastInsertRowid } = store
        .prepare('INSERT INTO hunt (rig_id, version, begun, hunt) VALUES (?, 1, ?, ?)')
        .run(rig, at, JSON.stringify(hunt));
      addEntries(store, rig, { at, who }, [{ kind: 'hunt', text, lines: [hunt.line] }]);
      return { id: Number(lastInsertRowid), version: 1, begun: at, hunt };
    })
    .immediate();
}

interface Told {
  at: string;
  who: string;
  text: string;
}

/**
 * Adds a step to a hunt, or takes the last one back.
 * @param version the one that the sender has seen
 * @throws StaleHunt if it has gone on meanwhile
 */
export function changeHunt(
  store: Store,
  rig: string,
  id: number,
  version: number,
  change: { step: HuntStep } | { undo: true },
  { at, who, text }: Told,
): SavedHunt | undefined {
  return store
    .transaction(() => {
      const current = loadHunt(store, rig, id);
      if (!current) return undefined;
      if (current.version !== version) throw new StaleHunt(current);
      const steps = 'step' in change ? [...current.hunt.steps, change.step] : current.hunt.steps.slice(0, -1);
      const next: SavedHunt = { ...current, version: version + 1, hunt: { ...current.hunt, steps } };
      store
        .prepare('UPDATE hunt SET version = ?, hunt = ? WHERE id = ?')
        .run(next.version, JSON.stringify(next.hunt), id);
      addEntries(store, rig, { at, who }, [{ kind: 'hunt', text, lines: [current.hunt.line] }]);
      return next;
    })
    .immediate();
}
