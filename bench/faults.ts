import type { Line } from '@/core/gear';
import type { Table } from '@/core/testing/belief/belief';
import { seeded } from '../tests/recordings/sounds';
import { blindTrials, CHECKLIST, FIXED, randomLines, type Order, type Trials } from '../tests/testing/blind';
import { demoLines } from '../tests/testing/lines';

const LINES = 200;
const EACH = 4;

/** Lines that an order is searched on, and how many orders are tried. */
const [TRAINING, TRIES] = [20, 60];

/** The fixed order of instruments that takes the fewest seconds on lines made up for it: from the quickest known one, one moved at a time. */
function bestFixed(): readonly string[] {
  const lines = randomLines(seeded('fixed orders'), TRAINING);
  const tables = new Map<Line, Table>();
  const secondsOf = (order: readonly string[]) => blindTrials({ seed: 9, each: 2, lines, tables, order }).seconds;
  let best = Object.values(FIXED)
    .map((order) => ({ order: [...new Set([...order, ...CHECKLIST, ...OTHERS])], seconds: 0 }))
    .map(({ order }) => ({ order, seconds: secondsOf(order) }))
    .reduce((a, b) => (a.seconds <= b.seconds ? a : b));
  const random = seeded('moves');
  for (let n = 0; n < TRIES; n++) {
    const order = [...best.order];
    const [moved] = order.splice(Math.floor(random() * order.length), 1);
    order.splice(Math.floor(random() * (order.length + 1)), 0, moved);
    const seconds = secondsOf(order);
    if (seconds < best.seconds) best = { order, seconds };
  }
  return best.order;
}
/** Instruments that no fixed order names. */
const OTHERS = ['lamps', 'test load', 'cable box', 'mono sum'];

/** Faults found blind: what tells most for its time, beside the best of some fixed orders, a usual checklist, and anything at all. */
export function faults(): void {
  console.log(
    `\nFaults found blind: the demo’s lines and ${LINES} made up, ${EACH} faults each, drawn from the priors\n`,
  );
  const lines: Line[] = [...demoLines(), ...randomLines(seeded('bench'), LINES)];
  const tables = new Map<Line, Table>();
  const trials = (order: Order, errors = 1) => blindTrials({ seed: 5, each: EACH, lines, tables, order, errors });
  const of = ({ byLinks }: Trials, links: number) => byLinks.get(links)!.seconds / byLinks.get(links)!.count;
  const told = (what: string, found: Trials) =>
    console.log(
      `${what.padEnd(34)} right ${(100 * found.right).toFixed(1)} %, stated ${(100 * found.stated).toFixed(1)} %, ${found.looks.toFixed(1)} looks; seconds with one link ${of(found, 1).toFixed(0)}, two ${of(found, 2).toFixed(0)}, more ${of(found, 3).toFixed(0)}`,
    );
  const best = trials('best');
  told('what tells most for its time', best);
  told('  misread twice as often', trials('best', 2));
  const searched = bestFixed();
  console.log(`  the best fixed order found by search on other lines: ${searched.join(', ')}`);
  const fixed = Object.entries({ ...FIXED, 'found by search': searched }).map(([name, order]) => ({
    name,
    found: trials(order),
  }));
  for (const { name, found } of fixed) told(`fixed: ${name}`, found);
  const checklist = trials(CHECKLIST);
  told('checklist', checklist);
  told('at random', trials('random'));
  for (const [links, words, aim] of [
    [2, 'two links', 75],
    [3, 'three and more', 62],
  ] as const) {
    const quickest = Math.min(...fixed.map(({ found }) => of(found, links)));
    console.log(
      `${words}: ${((100 * of(best, links)) / quickest).toFixed(0)} % of the best fixed order (aim: ${aim}), ${((100 * of(best, links)) / of(checklist, links)).toFixed(0)} % of the checklist (aim: 50)`,
    );
  }
}
