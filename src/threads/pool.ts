import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import Piscina from 'piscina';
import * as inline from './heavy';

/** Made by the build; where there is none, as in development, everything runs where it is asked for. */
const THREAD = join(process.cwd(), '.next', 'threads', 'heavy.cjs');
/** How many may wait for a thread. */
const QUEUE = 32;
/** Longest that one of them may take, in milliseconds: 512 lines took 30 s on a slow machine (measured). */
const LIMIT = 180_000;
/** Answers that are kept for whoever asks the same again. */
const KEPT = 12;

export class ThreadTrouble extends Error {
  constructor(
    readonly code: 'busy' | 'too-long' | 'left',
    message: string,
  ) {
    super(message);
    this.name = 'ThreadTrouble';
  }
}

interface Shared {
  pool?: Piscina;
  answers: Map<string, Promise<unknown>>;
}
const shared = globalThis as { inletCheckThreads?: Shared };
const here = (): Shared => (shared.inletCheckThreads ??= { answers: new Map() });

const poolOf = (): Piscina =>
  (here().pool ??= new Piscina({
    filename: THREAD,
    minThreads: 0,
    // One core is left for everybody else, where there is more than one.
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: QUEUE,
    idleTimeout: 30_000,
  }));

type Heavy = typeof inline;

/**
 * Runs something heavy beside everything else. What is being computed already, or was just now, is not computed again.
 * @throws ThreadTrouble if too many wait already, or it takes too long
 */
export function heavily<N extends keyof Heavy>(name: N, given: Parameters<Heavy[N]>[0]): Promise<ReturnType<Heavy[N]>> {
  const { answers } = here();
  const key = `${name} ${createHash('sha256').update(JSON.stringify(given)).digest('base64')}`;
  const known = answers.get(key);
  if (known) {
    // Whoever was asked for last is kept longest.
    answers.delete(key);
    answers.set(key, known);
    return known as Promise<ReturnType<Heavy[N]>>;
  }
  const answer = run(name, given);
  answers.set(key, answer);
  answer.catch(() => answers.delete(key));
  for (const old of [...answers.keys()].slice(0, Math.max(0, answers.size - KEPT))) answers.delete(old);
  return answer;
}

async function run<N extends keyof Heavy>(name: N, given: Parameters<Heavy[N]>[0]): Promise<ReturnType<Heavy[N]>> {
  if (!existsSync(THREAD)) return (inline[name] as (given: unknown) => ReturnType<Heavy[N]>)(given);
  const pool = poolOf();
  if (pool.queueSize >= QUEUE)
    throw new ThreadTrouble('busy', 'Too much is being computed already. Ask again in some seconds.');
  try {
    return (await pool.run(given, { name, signal: AbortSignal.timeout(LIMIT) })) as ReturnType<Heavy[N]>;
  } catch (problem) {
    if ((problem as Error).name === 'AbortError')
      throw new ThreadTrouble(
        'too-long',
        `This took longer than ${LIMIT / 1000} s and was given up. Send fewer lines.`,
      );
    throw problem;
  }
}
