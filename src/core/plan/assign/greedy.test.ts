import fc from 'fast-check';
import { runs } from '../../../../tests/explore';
import { demoKit, demoRig, smallRigs } from '../../../../tests/planning';
import { schoolsOf, type RigDocument } from '../../rig';
import type { KitItem } from '../../kit';
import { assessor } from '../assess';
import { allColumns, problemOf } from '../problem';
import { valueOf } from '../program/program';
import { stockOf } from '../stock';
import { withMarket } from '../purchases';
import { greedySolution, nobody } from './greedy';
import { modelOf } from './model';

function start(document: RigDocument, kit: readonly KitItem[], toGet = false) {
  const own = problemOf(document, [...stockOf(kit, document).values()], assessor(schoolsOf(document)));
  const problem = toGet ? withMarket(own, 1, new Set(document.lines.map(({ id }) => id)), false) : own;
  const model = modelOf(problem, allColumns(problem));
  return { model, solution: greedySolution(problem, model) };
}

/** Rows that a solution breaks. */
const broken = ({ program }: ReturnType<typeof modelOf>, solution: readonly number[]) =>
  program.rows.filter(({ terms, lower, upper }) => {
    const sum = terms.reduce((total, [variable, factor]) => total + factor * solution[variable], 0);
    return sum < lower || sum > upper;
  });

test('by chance: what the search begins with keeps to every row', () => {
  fc.assert(
    fc.property(smallRigs, fc.boolean(), fc.constantFrom('use', 'keep'), ({ document, kit }, toGet, lastSpare) => {
      const { model, solution } = start({ ...document, schools: { lastSpare } }, kit, toGet);
      expect(broken(model, solution)).toEqual([]);
      expect(broken(model, nobody(model))).toEqual([]);
      expect(solution.every((value, n) => value >= 0 && value <= model.program.uppers[n])).toBe(true);
    }),
    { numRuns: runs(24) },
  );
});

test('on the demo it places most lines', () => {
  const { model, solution } = start(demoRig(), demoKit());
  expect(broken(model, solution)).toEqual([]);
  const [leftOut] = model.stages[0].goals;
  expect(valueOf(leftOut, solution)).toBeLessThan(10);
  expect(valueOf(leftOut, solution)).toBeLessThan(valueOf(leftOut, nobody(model)));
});
