import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Seconds } from '@/core/units';
import type { Store } from './store';

/** How long a machine has been running, by a clock that nobody sets: which start of it, and seconds since then. */
export interface Uptime {
  boot: string;
  seconds: Seconds;
}

/** Where the machine does not say, this process is all that is known. */
const thisProcess = randomUUID();

/** The machine's own count of seconds since it was started, time asleep included (Linux: CLOCK_BOOTTIME). */
export function uptime(): Uptime {
  try {
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
    const seconds = Number(readFileSync('/proc/uptime', 'utf8').split(' ')[0]);
    if (boot && Number.isFinite(seconds)) return { boot, seconds };
  } catch {
    // Not a Linux machine.
  }
  return { boot: thisProcess, seconds: performance.now() / 1000 };
}

interface Row {
  boot: string;
  uptime: number;
  moment: number;
}

/**
 * The moment of run sheets, in seconds. It only ever goes forward, by as much as the machine can prove: setting the
 * clock on the wall neither ends a wait nor lengthens one, and a restart of the server counts as the time it took.
 * After a restart of the machine it goes on where it stood: what passed meanwhile nobody can prove, so waits run on.
 * @param up the machine's uptime
 * @param wall seconds since 1970, where it begins the first time
 */
export function sheetClock(store: Store, up: Uptime = uptime(), wall: Seconds = Date.now() / 1000): Seconds {
  return store
    .transaction((): Seconds => {
      const row = store.prepare('SELECT boot, uptime, moment FROM clock').get() as Row | undefined;
      const passed = row && row.boot === up.boot ? Math.max(0, up.seconds - row.uptime) : 0;
      // A database that was used before it had this clock: no report was later than the wall says.
      const moment = row ? row.moment + passed : Math.max(wall, latest(store));
      store
        .prepare(
          `INSERT INTO clock (id, boot, uptime, moment) VALUES (1, @boot, @seconds, @moment)
           ON CONFLICT (id) DO UPDATE SET boot = excluded.boot, uptime = excluded.uptime, moment = excluded.moment`,
        )
        .run({ ...up, moment });
      return moment;
    })
    .immediate();
}

/** The latest moment that any sheet speaks of. */
const latest = (store: Store): Seconds =>
  (store.prepare("SELECT max(json_extract(session, '$.state.now')) FROM switching").pluck().get() as number | null) ??
  0;
