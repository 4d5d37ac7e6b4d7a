import fc from 'fast-check';
import { readDocument, type RigDocument } from '../rig';
import { clock, overuse, smallRigs, solver, verdicts } from '../../../tests/planning';
import { planRig, type Plan } from '.';

describe('rigs by chance', () => {
  /** What a plan is held to, in the order of its goals. */
  const figures = ({ proposal }: Plan) => proposal.reached.map(({ value }) => value);

  test('no plan has a Stop or Silent, none uses more than there is, every one can be saved', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(smallRigs, ({ document, kit }) => {
        const { proposal } = planRig({ document, kit, seconds: 60, onlyKit: true }, { solver: solve, clock });
        expect(verdicts(proposal.document).filter((verdict) => verdict !== 'Clear' && verdict !== 'Watch')).toEqual([]);
        expect(overuse(proposal, document, kit)).toEqual([]);
        expect(() => readDocument(structuredClone(proposal.document))).not.toThrow();
        expect(proposal.document.lines.length + proposal.leftOut.length).toBe(document.lines.length);
      }),
      { numRuns: 40 },
    );
  });

  test('more in the kit never makes the best plan worse', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(smallRigs, fc.nat(6), ({ document, kit }, n) => {
        const more = kit.map((item, at) => (at === n ? { ...item, count: item.count + 1 } : item));
        const [before, after] = [kit, more].map((own) =>
          figures(planRig({ document, kit: own, seconds: 60, onlyKit: true }, { solver: solve, clock })),
        );
        const first = after.findIndex((value, at) => value !== before[at]);
        if (first >= 0) expect([first, after[first]]).toEqual([first, Math.min(after[first], before[first])]);
      }),
      { numRuns: 40 },
    );
  });

  test('as many lines have a place as trying every arrangement finds', async () => {
    const solve = await solver;
    fc.assert(
      fc.property(smallRigs, ({ document }) => {
        // Nothing but what lies there: every line with its own links, on any inlet, with the switches set in any way.
        const plan = planRig({ document, kit: [], seconds: 60, onlyKit: true }, { solver: solve, clock });
        expect(plan.proposal.document.lines.length).toBeGreaterThanOrEqual(mostThatWork(document));
      }),
      { numRuns: 15 },
    );
  });
});

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
