/**
 * Turns of the loop between two large answers. A small answer takes about as many from its request to its last byte; on two
 * cores, beside eight readers of 240 lines, it came at the 95th percentile after 35 to 65 ms with one turn between them and
 * after 28 to 47 ms with six (`npm run bench:blocking`).
 */
const BETWEEN = 6;

/** The turn that was given last; one row for pages and routes. */
const shared = globalThis as { inletCheckTurn?: Promise<void> };

/**
 * Waits for a turn of its own of the one loop that answers everybody: large answers that are asked for at once come some
 * turns after each other, so that small ones get between them. Nobody is waited for, however slowly they read.
 */
export const ownTurn = (): Promise<void> =>
  (shared.inletCheckTurn = (shared.inletCheckTurn ?? Promise.resolve()).then(async () => {
    for (let n = 0; n < BETWEEN; n++) await new Promise((resolve) => setImmediate(resolve));
  }));
