import fc from 'fast-check';
import { runs } from '../../../tests/explore';
import { readDocument, schoolsOf, type RigDocument } from '../rig';
import {
  clock,
  deskLine,
  deviceOf,
  limitedRigs,
  overuse,
  rigOf,
  smallRigs,
  solver,
  verdicts,
} from '../../../tests/planning';
import { checkRig } from '../rigcheck';
import type { KitItem } from '../kit';
import { assessor } from './assess';
import { choicesOf, problemOf } from './problem';
import { solved } from './solved';
import { stockOf } from './stock';
import { planRig, type Plan, type Solver } from '.';

describe('rigs by chance', () => {
  /** What a plan is held to, in the order of its goals. */
  const figures = ({ proposal }: Plan) => proposal.reached.map(({ value }) => value);

  test('no plan has a Stop or Silent, none uses more than there is, every one can be saved', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(limitedRigs, ({ document, kit }) => {
        const { proposal } = planRig({ document, kit, seconds: 60, onlyKit: true }, { solver: solve, clock });
        expect(verdicts(proposal.document).filter((verdict) => verdict !== 'Clear' && verdict !== 'Watch')).toEqual([]);
        expect(overuse(proposal, document, kit)).toEqual([]);
        expect(() => readDocument(structuredClone(proposal.document))).not.toThrow();
        expect(proposal.document.lines.length + proposal.leftOut.length).toBe(document.lines.length);
      }),
      { numRuns: runs(40) },
    );
  });

  test('more in the kit never makes the best plan worse', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(limitedRigs, fc.nat(6), ({ document, kit }, n) => {
        const more = kit.map((item, at) => (at === n ? { ...item, count: item.count + 1 } : item));
        const [before, after] = [kit, more].map((own) =>
          figures(planRig({ document, kit: own, seconds: 60, onlyKit: true }, { solver: solve, clock })),
        );
        const first = after.findIndex((value, at) => value !== before[at]);
        if (first >= 0) expect([first, after[first]]).toEqual([first, Math.min(after[first], before[first])]);
      }),
      { numRuns: runs(40) },
    );
  });

  test('what is settled without touching what is Clear is what the search among everything finds', async () => {
    const solve = await solver;
    let settled = 0;
    /** @param whole everything is searched at once, and nothing is found by itself before */
    const goalsOf = (document: RigDocument, kit: readonly KitItem[], whole: boolean) => {
      const assess = assessor(schoolsOf(document), 'once');
      const problem = problemOf(document, [...stockOf(kit, document, 'listed').values()], assess);
      const choices = choicesOf(problem);
      let searched = false;
      const all = () => {
        searched = true;
        return choices.all();
      };
      const before = checkRig(document);
      const tools = { solver: whole ? withoutFirst(solve) : solve, clock };
      const { reached } = solved(problem, { ...choices, all }, before, clock() + 60, tools);
      if (!whole && !searched) settled++;
      return reached.map(({ name, value }) => `${name}: ${value}`);
    };
    fc.assert(
      fc.property(smallRigs, ({ document, kit }) => {
        // As it is, and once more as the plan leaves it: then most of it is Clear.
        const { proposal } = planRig({ document, kit, seconds: 60, onlyKit: true }, { solver: solve, clock });
        for (const rig of [document, proposal.document])
          if (rig.lines.length) expect(goalsOf(rig, kit, false)).toEqual(goalsOf(rig, kit, true));
      }),
      { numRuns: runs(30) },
    );
    expect(settled).toBeGreaterThan(runs(30) / 3);
  });

  test('reasons are true: a Clear line that gives way stays where and as it is when those its reason names are not there', async () => {
    const solve = await solver;
    let gaveWay = 0;
    fc.assert(
      fc.property(fullRigs, (document) => {
        const kit: KitItem[] = [];
        const { proposal } = planRig({ document, kit, seconds: 60, onlyKit: true }, { solver: solve, clock });
        for (const { line, before, reason } of proposal.lines) {
          if (before !== 'Clear') continue;
          const named = document.lines
            .filter(({ id, name }) => id !== line && reason.includes(name))
            .map(({ id }) => id);
          expect([line, reason, named.length > 0 || /^If it stayed, \d+ more/.test(reason)]).toEqual([
            line,
            reason,
            true,
          ]);
          if (named.length === 0) continue;
          const without = { ...document, lines: document.lines.filter(({ id }) => !named.includes(id)) };
          const again = planRig({ document: without, kit, seconds: 60, onlyKit: true }, { solver: solve, clock });
          expect([reason, again.proposal.lines.filter((each) => each.line === line)]).toEqual([reason, []]);
          gaveWay++;
        }
      }),
      { numRuns: runs(80) },
    );
    expect(gaveWay).toBeGreaterThan(3);
  });

  test('as many lines have a place as trying every arrangement finds', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(smallRigs, ({ document }) => {
        // Nothing but what lies there: every line with its own links, on any inlet, with the switches set in any way.
        const plan = planRig({ document, kit: [], seconds: 60, onlyKit: true }, { solver: solve, clock });
        expect(plan.proposal.document.lines.length).toBeGreaterThanOrEqual(mostThatWork(document));
      }),
      { numRuns: runs(15) },
    );
  });
});

/** Names that make no pairs. */
const NAMES = ['Ash', 'Birch', 'Cedar', 'Elm', 'Fir'];

/** Somebody on every inlet of three banks, one of which has no feed: whoever has to move needs somebody else's place. */
const fullRigs = fc
  .record({
    kinds: fc.array(fc.constantFrom('condenser-48', 'moving-coil', 'passive-ribbon'), { minLength: 5, maxLength: 5 }),
    on: fc.array(fc.boolean(), { minLength: 2, maxLength: 2 }),
  })
  .map(({ kinds, on }) =>
    rigOf(
      [
        deviceOf('desk', [
          ...on.map((each) => ({
            inlets: 2,
            offers: ['P48' as const],
            feed: each ? ('P48' as const) : ('off' as const),
          })),
          { inlets: 1, offers: [], feed: 'off' as const },
        ]),
      ],
      kinds.map((kind, n) => deskLine(NAMES[n], kind, String(n + 1))),
    ),
  );

/** A solver that finds nothing the first time it is asked: the plan that touches nothing Clear. */
function withoutFirst(solve: Solver): Solver {
  let asked = 0;
  return (...given) => (asked++ ? solve(...given) : undefined);
}

/** The most lines that can be Clear or Watch at once with the links they have, by trying all. */
function mostThatWork(document: RigDocument): number {
  const [desk] = document.devices;
  const settings = desk.groups.reduce<RigDocument[]>(
    (rigs, { id, offers }) =>
      rigs.flatMap((rig) =>
        (['off', ...offers] as const).map((feed) => ({
          ...rig,
          devices: rig.devices.map((device) => ({
            ...device,
            groups: device.groups.map((group) => (group.id === id ? { ...group, feed } : group)),
          })),
        })),
      ),
    [document],
  );
  let most = 0;
  for (const rig of settings) {
    const works = rig.lines.map((line) =>
      desk.inlets.map(({ id }) => {
        const moved = { ...rig, lines: [{ ...line, inlet: { device: 'desk', inlet: id } }] } as RigDocument;
        return verdicts(moved).every((verdict) => verdict === 'Clear' || verdict === 'Watch');
      }),
    );
    const visit = (line: number, taken: number, count: number): void => {
      most = Math.max(most, count);
      if (line === works.length || count + works.length - line <= most) return;
      works[line].forEach((good, inlet) => {
        if (good && !(taken & (1 << inlet))) visit(line + 1, taken | (1 << inlet), count + 1);
      });
      visit(line + 1, taken, count);
    };
    visit(0, 0, 0);
  }
  return most;
}
