import { readDocument, rigPaths } from '../rig';
import { change, demoKit, demoRig, overuse, planned, verdicts } from '../../../tests/planning';
import type { Plan } from '.';

describe('Lock Nine from its present state', () => {
  let plan: Plan;
  beforeAll(async () => {
    plan = await planned(demoRig(), demoKit());
  });

  test('no line is Stop or Silent, and the rig is one that can be saved', () => {
    const { document, counts, optimal, leftOut } = plan.proposal;
    expect(leftOut).toEqual([]);
    expect(counts).toMatchObject({ Stop: 0, Silent: 0 });
    expect(verdicts(readDocument(document)).every((verdict) => verdict === 'Clear' || verdict === 'Watch')).toBe(true);
    expect(optimal).toBe(true);
  });

  test('no feed reaches a ribbon: its switch is off, or a transformer is before it; nobody records it elsewhere', () => {
    const { document } = plan.proposal;
    const paths = rigPaths(document).filter(({ line }) => line.source.kind === 'passive-ribbon');
    expect(paths).toHaveLength(3);
    for (const { line, inlet } of paths) {
      const blocked = line.links.some(({ kind }) => kind === 'isolating-transformer');
      expect([line.name, line.inlet.choices?.feed === 'off' || blocked]).toEqual([line.name, true]);
      expect([line.name, inlet.device]).toEqual([line.name, 'desk']);
    }
  });

  test('what the kit does not have is on the shopping list, and nothing else', () => {
    expect(plan.proposal.toGet.map(({ kind, count, lines }) => [kind, count, lines])).toEqual([
      ['plain-adapter', 1, ['Camera']],
      ['t12-supply', 1, ['Inherited shotgun']],
    ]);
  });

  test('every change has a reason of its own', () => {
    const { lines, switches } = plan.proposal;
    for (const { name, reason } of [...lines, ...switches]) {
      expect([name, reason]).not.toEqual([name, '']);
      expect([name, reason]).not.toEqual([name, 'The same with fewer or simpler parts.']);
    }
    expect(change(plan.proposal, 'announcer')).toMatchObject({
      putIn: ['cable 20 m, tested'],
      takenOut: ['cable 20 m, old'],
      before: 'Silent',
      after: 'Clear',
      reason: 'At present Silent (dead cable: cable 20 m, old).',
    });
    expect(change(plan.proposal, 'guide-body-worn').putIn).toContain('phantom to plug-in converter');
  });

  test('lines that are good where they are stay: the differences are those that have a reason', () => {
    const { lines, document } = plan.proposal;
    const changed = new Set(lines.map(({ line }) => line));
    const before = new Map(demoRig().lines.map((line) => [line.id, line]));
    for (const line of document.lines) if (!changed.has(line.id)) expect(line).toEqual(before.get(line.id));
    expect(changed.has('pair-a-left')).toBe(false);
    expect(changed.has('keeper-body-worn')).toBe(false);
  });

  test('nothing is used more often than there is of it', () => expect(overuse(plan.proposal, demoRig())).toEqual([]));
});
describe('when time runs out', () => {
  test.each([0.02, 0.6])(
    'after %d s the answer moves few of the lines that are Clear, and says what is not proven',
    async (seconds) => {
      const { proposal } = await planned(demoRig(), demoKit(), { seconds, onlyKit: true });
      expect(verdicts(proposal.document).filter((verdict) => verdict === 'Stop' || verdict === 'Silent')).toEqual([]);
      // At most three that are Clear now give way; nobody is sent about for the sake of it.
      expect(proposal.lines.filter(({ before }) => before === 'Clear').length).toBeLessThanOrEqual(3);
      const open = proposal.reached.filter(({ value, bound }) => value > bound);
      expect(proposal.optimal).toBe(open.length === 0);
      // Everything it was to make small is told, proven or not.
      expect(proposal.reached.map(({ name }) => name)).toContain('simplest links');
    },
  );
});

describe('the mended rig', () => {
  test('stays as it is but for what the school of cells asks for', async () => {
    const { proposal } = await planned(demoRig('lock-nine-mended'), demoKit());
    expect(proposal.counts).toMatchObject({ Stop: 0, Silent: 0 });
    expect(proposal.toGet).toEqual([]);
    expect(proposal.switches.map(({ name, from, to }) => [name, from, to])).toContainEqual([
      'Bag recorder, pair 5–6',
      'P12',
      'P48',
    ]);
    expect(proposal.lines).toEqual([]);
  });

  test('with the last converter gone from the kit, the list of things to get names one', async () => {
    const kit = demoKit().map((item) => (item.id === 'plug-in-converter' ? { ...item, count: 0 } : item));
    const { proposal } = await planned(demoRig('lock-nine-mended'), kit);
    expect(proposal.toGet).toMatchObject([{ kind: 'plug-in-converter', count: 1, lines: ['Guide, lavalier'] }]);
    expect(change(proposal, 'guide-body-worn').reason).toBe('The kit has no phantom to plug-in converter any more.');
  });

  test('and where nothing may be got, the line is left out with the reason', async () => {
    const kit = demoKit().map((item) => (item.id === 'plug-in-converter' ? { ...item, count: 0 } : item));
    const { proposal } = await planned(demoRig('lock-nine-mended'), kit, { onlyKit: true });
    expect(proposal.leftOut.map(({ name }) => name)).toEqual(['Guide, lavalier']);
    expect(proposal.leftOut[0].reason).toMatch(/^Nothing in the kit makes it work/);
    expect(proposal.document.lines.some(({ id }) => id === 'guide-body-worn')).toBe(false);
  });
});
