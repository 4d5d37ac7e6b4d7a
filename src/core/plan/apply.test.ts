import fc from 'fast-check';
import { runs } from '../../../tests/explore';
import { clock, demoKit, demoRig, planned, smallRigs, solver } from '../../../tests/planning';
import { checkRig } from '../rigcheck';
import { readDocument } from '../rig';
import { applyPlan, planRig, switchKey, withChain, type Accepted, type Plan, type Proposal } from '.';
import { rankedChains } from './chains/rank';

const everything = ({ lines, switches }: Proposal): Accepted => ({
  lines: new Set(lines.map(({ line }) => line)),
  switches: new Set(switches.map(({ device, group }) => switchKey(device, group))),
  leftOut: true,
});
const byId = (lines: readonly { id: string }[]) => Object.fromEntries(lines.map((line) => [line.id, line]));

describe('a plan of the demo', () => {
  let plan: Plan;
  beforeAll(async () => {
    plan = await planned(demoRig(), demoKit(), { onlyKit: true });
  });

  test('accepted whole, it is the rig that was proposed', () => {
    const { proposal } = plan;
    const applied = applyPlan(demoRig(), proposal, everything(proposal));
    expect(byId(applied.lines)).toEqual(byId(proposal.document.lines));
    expect(applied.devices).toEqual(proposal.document.devices);
  });

  test('accepted not at all, nothing changes', () => {
    const none = { lines: new Set<string>(), switches: new Set<string>(), leftOut: false };
    expect(applyPlan(demoRig(), plan.proposal, none)).toEqual(demoRig());
  });

  test('one line alone: whoever is on its inlet changes places with it', () => {
    const { proposal } = plan;
    const moved = proposal.lines.find(({ line }) => line === 'ribbon-left')!;
    const applied = applyPlan(demoRig(), proposal, {
      ...everything(proposal),
      lines: new Set(['ribbon-left']),
      switches: new Set(),
      leftOut: false,
    });
    const inlet = (id: string) => applied.lines.find((line) => line.id === id)!.inlet;
    expect(inlet('ribbon-left')).toMatchObject({ inlet: moved.to.inlet });
    const other = demoRig().lines.find(
      ({ inlet: at }) => 'device' in at && at.device === moved.to.device && at.inlet === moved.to.inlet,
    );
    if (other) expect(inlet(other.id)).toEqual({ device: 'desk', inlet: '3' });
    expect(applied.lines).toHaveLength(demoRig().lines.length);
  });
});

test('any part of any plan leaves a rig that can be saved, with every line but those taken out', async () => {
  const solve = await solver;
  fc.assert(
    fc.property(smallRigs, fc.infiniteStream(fc.boolean()), ({ document, kit }, coins) => {
      const { proposal } = planRig({ document, kit, seconds: 60 }, { solver: solve, clock });
      const some = <T>(list: readonly T[]) => new Set(list.filter(() => coins.next().value));
      const accepted = {
        lines: some(proposal.lines.map(({ line }) => line)),
        switches: some(proposal.switches.map(({ device, group }) => switchKey(device, group))),
        leftOut: coins.next().value as boolean,
      };
      const applied = readDocument(structuredClone(applyPlan(document, proposal, accepted)));
      const gone = accepted.leftOut ? proposal.leftOut.map(({ line }) => line) : [];
      expect(applied.lines.map(({ id }) => id).toSorted()).toEqual(
        document.lines
          .map(({ id }) => id)
          .filter((id) => !gone.includes(id))
          .toSorted(),
      );
    }),
    { numRuns: runs(12) },
  );
});

test('a chain that was looked at gives the verdict that was told', () => {
  const inlet = { device: 'desk', inlet: '7' };
  const { allowed } = rankedChains(demoRig(), demoKit(), 'guide-body-worn', inlet, 'P48')!;
  for (const chain of allowed) {
    const applied = readDocument(structuredClone(withChain(demoRig(), 'guide-body-worn', inlet, chain)));
    expect(checkRig(applied).lines.find(({ id }) => id === 'guide-body-worn')!.verdict).toBe(chain.verdict);
  }
});
