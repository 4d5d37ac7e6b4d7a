import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { DEFAULT_SCHOOLS } from '@/core/schools';
import { parseKit, type KitItem } from '@/core/kit';
import { highsSolver, planRig, type Solver } from '@/core/plan';
import { assessor } from '@/core/plan/assess';
import { greedySolution } from '@/core/plan/assign/greedy';
import { modelOf } from '@/core/plan/assign/model';
import { allColumns, problemOf } from '@/core/plan/problem';
import { valueOf } from '@/core/plan/program/program';
import { stockOf } from '@/core/plan/stock';
import { parseDocument } from '@/core/rig';
import { mixedRig, planKit } from './rigs';

const clock = () => performance.now() / 1000;

const GOALS = ['lines left out', 'lines to watch', 'feeds where nobody needs them', 'changes'];

const line = (what: string, seconds: number, value: (goal: string) => number, note = '') =>
  console.log(
    `${what.padEnd(40)} ${seconds.toFixed(2).padStart(6)} s   ${GOALS.map((goal) => `${goal} ${value(goal)}`).join(', ')}  ${note}`,
  );

/** A patch of so many sources on so many inlets: planned, and beside it with everybody taking the best place in turn. */
function onePatch(solver: Solver, sources: number, inlets: number, groups: number, aim: string, kit: KitItem[]): void {
  const rig = mixedRig(sources, inlets, groups);
  const began = clock();
  const { proposal } = planRig({ document: rig, kit, seconds: 9, onlyKit: true }, { solver, clock });
  const seconds = clock() - began;
  const gaps = proposal.reached.filter(({ value, bound }) => value > bound);
  const proof = proposal.optimal
    ? 'proven best'
    : `not proven: ${gaps.map(({ name, value, bound }) => `${name} ${value}, at least ${bound}`).join('; ')}`;
  line(
    `${sources} sources on ${inlets} inlets, ${groups} switches`,
    seconds,
    (goal) => proposal.reached.find(({ name }) => name === goal)!.value,
    `${proof} (aim: ${aim})`,
  );
  const start = clock();
  const ground = problemOf(rig, [...stockOf(kit, rig).values()], assessor(DEFAULT_SCHOOLS));
  const model = modelOf(ground, allColumns(ground));
  const byHand = greedySolution(ground, model);
  const goals = model.stages.flatMap((stage) => stage.goals);
  line('  everybody takes the best in turn', clock() - start, (goal) =>
    valueOf(
      goals.find(({ name }) => name === goal)!,
      byHand,
    ),
  );
}

/** A piece of arithmetic that is always the same: so many seconds are so many of these on any machine. */
function arithmetic(): number {
  const begin = clock();
  let sum = 0;
  for (let n = 1; n <= 2e7; n++) sum += Math.sqrt(n) / (n + 1);
  return sum > 0 ? clock() - begin : 0;
}

/** The demo rigs with the demo's kit, as the page plans them. */
function demoPlans(solver: Solver): void {
  const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
  const unit = arithmetic();
  for (const name of ['lock-nine', 'lock-nine-mended']) {
    const document = parseDocument(readFileSync(`demo/${name}.json`, 'utf8'));
    const began = clock();
    const { proposal } = planRig({ document, kit, seconds: 20 }, { solver, clock });
    const seconds = clock() - began;
    line(
      name,
      seconds,
      (goal) => proposal.reached.find((each) => each.name === goal)?.value ?? NaN,
      `${proposal.optimal ? 'proven best' : 'not proven'}, ${proposal.lines.length} lines changed, ${(seconds / unit).toFixed(0)} × the arithmetic beside it`,
    );
  }
}

export async function plans(): Promise<void> {
  console.log('\nPlans, every chain judged anew, against everybody taking the best place in turn\n');
  const solver = highsSolver(await loadHighs());
  demoPlans(solver);
  const kit = planKit();
  for (const round of ['first', 'again']) {
    console.log(round === 'first' ? 'Optimiser just loaded' : 'Optimiser warm');
    onePatch(solver, 16, 24, 6, 'proven best under 1 s', kit);
    onePatch(solver, 32, 48, 6, 'under 3 s', kit);
    onePatch(solver, 48, 64, 8, 'under 6 s', kit);
    onePatch(solver, 64, 96, 12, 'a usable plan under 10 s', kit);
  }
}
