import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import Piscina from 'piscina';
import { conventions, STANDARD_CONVENTIONS } from '@/core/units/conventions';
import * as inline from './heavy';
import type { Task } from './thread';
import { Refused } from '@/store/refused';

/** Made by the build; where there is none, as in development, everything runs where it is asked for. */
const THREAD = join(process.cwd(), '.next', 'threads', 'thread.cjs');
/** How many may wait for a thread. */
const QUEUE = 32;
/** Longest that one of them may take, in milliseconds: 512 lines took 30 s on a slow machine (measured). */
const LIMIT = 180_000;
/** Answers that are kept for whoever asks the same again. */
const KEPT = 12;

/** What was not computed; it may be asked for again. */
export class ThreadTrouble extends Refused {
  override readonly retryAfter = 5;

  constructor(code: 'busy' | 'too-long' | 'left', message: string) {
    super(503, code, message);
  }
}

/** Something that is being computed, or was lately. */
interface Work {
  answer: Promise<unknown>;
  /** How many wait for it; where the last one leaves, it is given up. */
  waiting: number;
  done: boolean;
  left: AbortController;
}

interface Shared {
  pool?: Piscina;
  works: Map<string, Work>;
}
const shared = globalThis as { inletCheckThreads?: Shared };
const here = (): Shared => (shared.inletCheckThreads ??= { works: new Map() });

const poolOf = (): Piscina =>
  (here().pool ??= new Piscina({
    filename: THREAD,
    // One stays, so that nobody waits for it to begin.
    minThreads: 1,
    // One core is left for everybody else, where there is more than one.
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: QUEUE,
    idleTimeout: 30_000,
  }));

type Heavy = typeof inline;

/** What programs ask for: their answers are written in one way, whatever a reader has set. */
const DOORS: ReadonlySet<keyof Heavy> = new Set(['check', 'diagnosed', 'verdicts', 'mains']);

/**
 * Runs something heavy beside everything else. What is being computed already, or was just now, is not computed again;
 * what nobody waits for any more is given up.
 * @param leaves when whoever asks goes away
 * @throws ThreadTrouble if too many wait already, it takes too long, or everybody has left
 */
export async function heavily<N extends keyof Heavy>(
  name: N,
  given: Parameters<Heavy[N]>[0],
  leaves?: AbortSignal,
): Promise<ReturnType<Heavy[N]>> {
  const { works } = here();
  const task: Task = { name, given, conventions: DOORS.has(name) ? STANDARD_CONVENTIONS : conventions() };
  const key = `${name} ${createHash('sha256').update(JSON.stringify(task)).digest('base64')}`;
  const work = works.get(key) ?? begun<N>(task);
  // Whoever was asked for last is kept longest.
  works.delete(key);
  works.set(key, work);
  for (const [old, { done }] of [...works].slice(0, Math.max(0, works.size - KEPT))) if (done) works.delete(old);
  work.waiting++;
  const leave = () => {
    if (--work.waiting > 0 || work.done) return;
    works.delete(key);
    work.left.abort();
  };
  leaves?.addEventListener('abort', leave, { once: true });
  try {
    return (await work.answer) as ReturnType<Heavy[N]>;
  } catch (problem) {
    works.delete(key);
    throw problem;
  } finally {
    leaves?.removeEventListener('abort', leave);
    if (!leaves?.aborted) work.waiting--;
  }
}

function begun<N extends keyof Heavy>(task: Task): Work {
  const left = new AbortController();
  const answer = run<N>(task, left.signal);
  const work: Work = { answer, waiting: 0, done: false, left };
  const end = () => void (work.done = true);
  answer.then(end, end);
  return work;
}

async function run<N extends keyof Heavy>(task: Task, left: AbortSignal): Promise<ReturnType<Heavy[N]>> {
  if (!existsSync(THREAD)) return (inline[task.name] as (given: unknown) => ReturnType<Heavy[N]>)(task.given);
  const pool = poolOf();
  if (pool.queueSize >= QUEUE)
    throw new ThreadTrouble('busy', 'Too much is being computed already. Ask again in some seconds.');
  const limit = AbortSignal.timeout(LIMIT);
  try {
    return (await pool.run(task, { name: 'run', signal: AbortSignal.any([limit, left]) })) as ReturnType<Heavy[N]>;
  } catch (problem) {
    if (left.aborted) throw new ThreadTrouble('left', 'Everybody who waited for this has left.');
    if (limit.aborted)
      throw new ThreadTrouble(
        'too-long',
        `This took longer than ${LIMIT / 1000} s and was given up. Send fewer lines.`,
      );
    throw problem;
  }
}

/** What is computed soon enough for whoever waits; undefined where it takes longer, or fails: it is kept for the next. */
export const soon = <T>(answer: Promise<T>, milliseconds: number): Promise<T | undefined> =>
  Promise.race([answer.catch(() => undefined), pause(milliseconds, undefined, { ref: false })]);
