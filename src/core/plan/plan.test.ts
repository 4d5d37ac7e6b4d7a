import fc from 'fast-check';
import { checkRig } from '../check';
import { readDocument, rigPaths, type RigDocument } from '../rig';
import {
  cable,
  clock,
  demoKit,
  demoRig,
  deviceOf,
  link,
  planned,
  rigOf,
  smallRigs,
  solver,
} from '../../../tests/planning';
import { planRig, type Plan, type Proposal } from '.';
import { pieceKey } from './pieces';
import { stockOf } from './stock';

const verdicts = (document: RigDocument) => {
  const { lines, unsolved } = checkRig(document);
  return [...lines.map(({ verdict }) => verdict), ...unsolved.map(() => 'unsolved')];
};
const change = ({ lines }: Proposal, id: string) => lines.find(({ line }) => line === id)!;

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

  test('the ribbons are on a switch whose feed is off', () => {
    const { document } = plan.proposal;
    const paths = rigPaths(document).filter(({ line }) => line.source.kind === 'passive-ribbon');
    expect(paths.map(({ line }) => line.inlet.choices?.feed)).toEqual(['off', 'off', 'off']);
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
      reason: 'Silent now: the signal does not get through.',
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

/** Pieces of which a plan uses more than the stock has, things to get left aside. */
function overuse({ document }: Proposal, from: RigDocument, kit = demoKit()): string[] {
  const stock = stockOf(kit, from);
  const used = new Map<string, number>();
  for (const { links } of document.lines)
    for (const part of links) if (part.note !== 'to get') used.set(pieceKey(part), (used.get(pieceKey(part)) ?? 0) + 1);
  return [...used].filter(([key, count]) => count > (stock.get(key)?.count ?? 0)).map(([key]) => key);
}

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
    expect(proposal.lines.length).toBeLessThanOrEqual(2);
  });

  test('with the last converter gone from the kit, the list of things to get names one', async () => {
    const kit = demoKit().map((item) => (item.id === 'plug-in-converter' ? { ...item, count: 0 } : item));
    const { proposal } = await planned(demoRig('lock-nine-mended'), kit);
    expect(proposal.toGet).toMatchObject([{ kind: 'plug-in-converter', count: 1, lines: ['Guide, body-worn'] }]);
    expect(change(proposal, 'guide-body-worn').reason).toBe('The kit has no phantom to plug-in converter any more.');
  });

  test('and where nothing may be got, the line is left out with the reason', async () => {
    const kit = demoKit().map((item) => (item.id === 'plug-in-converter' ? { ...item, count: 0 } : item));
    const { proposal } = await planned(demoRig('lock-nine-mended'), kit, { onlyKit: true });
    expect(proposal.leftOut.map(({ name }) => name)).toEqual(['Guide, body-worn']);
    expect(proposal.leftOut[0].reason).toMatch(/^Nothing in the kit makes it work/);
    expect(proposal.document.lines.some(({ id }) => id === 'guide-body-worn')).toBe(false);
  });
});

describe('wishes', () => {
  const line = (id: string, kind: string, inlet: string) => ({
    id,
    name: id,
    source: { kind },
    links: [cable(5)],
    inlet: { device: 'desk', inlet },
  });
  const desk = deviceOf('desk', [
    { inlets: 3, offers: ['P48'], feed: 'P48' },
    { inlets: 3, offers: ['P48'], feed: 'off' },
  ]);
  const rig = rigOf(
    [desk],
    [line('a', 'condenser-48', '1'), line('b', 'moving-coil', '4'), line('c', 'moving-coil', '6')],
  );
  const inletOf = ({ document }: Proposal, id: string) => document.lines.find((each) => each.id === id)!.inlet;

  test('without any, nothing changes', async () => {
    expect((await planned(rig, [])).proposal).toMatchObject({ lines: [], switches: [], same: 3 });
  });

  test('a pinned line is on its inlet, whoever was there elsewhere', async () => {
    const wishes = { pinned: [{ line: 'c', to: { device: 'desk', inlet: '4' } }] };
    const { proposal } = await planned({ ...rig, wishes }, []);
    expect(inletOf(proposal, 'c')).toEqual({ device: 'desk', inlet: '4' });
    expect(change(proposal, 'c').reason).toBe('You pinned it to this inlet.');
    expect(change(proposal, 'b').reason).toBe('Makes room for c.');
  });

  test('a forbidden inlet is used by nobody, or not by the one', async () => {
    const to = { device: 'desk', inlet: '6' };
    for (const forbidden of [[{ to }], [{ to, line: 'c' }]]) {
      const { proposal } = await planned({ ...rig, wishes: { forbidden } }, []);
      expect(inletOf(proposal, 'c')).not.toEqual(to);
      expect(change(proposal, 'c').reason).toBe('You keep it off the inlet that it is on.');
    }
  });

  test('neighbours sit side by side on one device', async () => {
    const { proposal } = await planned({ ...rig, wishes: { neighbours: [['b', 'c']] } }, []);
    const [b, c] = ['b', 'c'].map((id) => inletOf(proposal, id) as { device: string; inlet: string });
    expect(b.device).toBe(c.device);
    expect(Math.abs(Number(b.inlet) - Number(c.inlet))).toBe(1);
    expect(proposal.lines).toHaveLength(1);
  });

  test('wishes that cannot be kept are named, with what giving them up would mend', async () => {
    const wishes = {
      forbidden: ['1', '2', '3', '4', '5'].map((inlet) => ({ to: { device: 'desk', inlet }, line: 'a' })),
      pinned: [{ line: 'b', to: { device: 'desk', inlet: '6' } }],
    };
    const plan = await planned({ ...rig, wishes }, [], { onlyKit: true });
    expect(plan.proposal.leftOut.map(({ line: id }) => id)).toHaveLength(1);
    expect(plan.instead?.leftOut).toBe(0);
    expect(plan.instead?.relaxations).toHaveLength(1);
  });

  test("a device's feed limit is kept to, and named where it stands in the way", async () => {
    const few = { ...desk, feedLimit: { value: 4, unit: 'mA' as const, basis: 'maker' as const } };
    const two = rigOf([few], [line('a', 'condenser-48', '1'), line('b', 'condenser-48', '2')]);
    const plan = await planned(two, [], { onlyKit: true });
    expect(plan.proposal.leftOut).toHaveLength(1);
    expect(plan.instead?.relaxations).toEqual([{ relax: 'feed limit', device: 'desk' }]);
  });

  test('a line goes only as far as the cables reach, with an extension if there is one', async () => {
    const far = deviceOf('far', [{ inlets: 1, offers: ['P48'], feed: 'P48' }], { location: 'hall' });
    const near = deviceOf('near', [{ inlets: 1, offers: [], feed: 'off' }], { location: 'stage' });
    const metres = (value: number) => ({ value, unit: 'm' as const, basis: 'measured' as const });
    const own = {
      ...line('a', 'condenser-48', '1'),
      location: 'stage',
      inlet: { device: 'near', inlet: '1' },
    };
    const document = {
      ...rigOf([near, far], [own]),
      locations: ['stage', 'hall'].map((id) => ({ id, name: id })),
      runs: [{ between: ['stage', 'hall'] as [string, string], length: metres(18) }],
    };
    const short = await planned(document, [link('ten', 1, cable(10))], { onlyKit: true });
    expect(short.proposal.leftOut.map(({ line: id }) => id)).toEqual(['a']);
    const extended = await planned(document, [link('ten', 2, cable(10))], { onlyKit: true });
    expect(change(extended.proposal, 'a')).toMatchObject({ to: { device: 'far' }, putIn: ['ten', 'ten'] });
    const whole = await planned(document, [link('ten', 2, cable(10)), link('twenty', 1, cable(20))]);
    expect(change(whole.proposal, 'a').putIn).toEqual(['twenty']);
  });
});

describe('two outputs on one direct box', () => {
  const desk = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'off' }]);
  const piano = { kind: 'line-output' };
  const rig = rigOf(
    [desk],
    [
      {
        id: 'left',
        name: 'left',
        source: piano,
        links: [cable(3, 'ts635'), { kind: 'passive-direct-box', id: 'box' }, cable(8)],
        inlet: { device: 'desk', inlet: '1' },
      },
      {
        id: 'right',
        name: 'right',
        source: piano,
        links: [cable(3, 'ts635')],
        inlet: { into: { line: 'left', link: 'box', port: 'through' } },
      },
    ],
  );

  test('stay so, to watch, where there is nothing else', async () => {
    const { proposal } = await planned(rig, []);
    expect(proposal).toMatchObject({ leftOut: [], toGet: [], lines: [], same: 2, counts: { Watch: 2 } });
    expect(proposal.document.lines).toEqual(rig.lines);
  });

  test('move to another switch together', async () => {
    const wishes = { forbidden: [{ to: { device: 'desk', inlet: '1' } }] };
    const { proposal } = await planned({ ...rig, wishes }, [], { onlyKit: true });
    expect(proposal.leftOut).toEqual([]);
    expect(proposal.document.lines.map(({ inlet }) => inlet)).toEqual([
      { device: 'desk', inlet: '2' },
      rig.lines[1].inlet,
    ]);
    expect(() => readDocument(structuredClone(proposal.document))).not.toThrow();
  });

  test('but not where one of them is pinned to an inlet of its own', async () => {
    const wishes = { pinned: [{ line: 'right', to: { device: 'desk', inlet: '2' } }] };
    const { proposal } = await planned({ ...rig, wishes }, [], { onlyKit: true });
    expect(proposal.leftOut.map(({ line }) => line)).toEqual(['right']);
    expect(proposal.document.lines.map(({ id }) => id)).toEqual(['left']);
  });

  test('get a box each where the kit has one', async () => {
    const { proposal } = await planned(rig, [
      link('stereo', 2, { kind: 'stereo-direct-box' }),
      link('eight', 2, cable(8)),
    ]);
    expect(proposal.counts).toMatchObject({ Clear: 2 });
    expect(change(proposal, 'right').reason).toBe('To watch now: the link-through socket is used as a second input.');
  });
});

describe('what is to be got', () => {
  const line = (id: string, kind: string, inlet: string) => ({
    id,
    name: id,
    source: { kind },
    links: [cable(5)],
    inlet: { device: 'desk', inlet },
  });
  const desk = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);

  test('one box where one is enough: a condenser and a ribbon on one switch', async () => {
    const { proposal } = await planned(
      rigOf([desk], [line('a', 'condenser-48', '1'), line('b', 'passive-ribbon', '2')]),
      [],
    );
    expect(proposal.leftOut).toEqual([]);
    expect(proposal.toGet.reduce((sum, { count }) => sum + count, 0)).toBe(1);
    expect(verdicts(proposal.document).every((verdict) => verdict === 'Clear' || verdict === 'Watch')).toBe(true);
  });

  test('an inlet on a switch of its own where there is no inlet left', async () => {
    const rig = rigOf([desk], [line('a', 'condenser-48', '1'), line('b', 'condenser-48', '2')]);
    const wishes = { forbidden: [{ to: { device: 'desk', inlet: '2' } }] };
    const { proposal } = await planned({ ...rig, wishes }, []);
    expect(proposal.leftOut).toEqual([]);
    expect(proposal.toGet).toMatchObject([{ label: 'three-pin inlet with a 48 V switch of its own', count: 1 }]);
    expect(proposal.document.devices.map(({ name }) => name)).toEqual(['desk', expect.stringMatching(/^Inlet to get/)]);
    expect(() => readDocument(structuredClone(proposal.document))).not.toThrow();
    // Once it is there, it is an inlet like any other.
    const again = await planned(proposal.document, []);
    expect(again.proposal).toMatchObject({ lines: [], switches: [], toGet: [], document: proposal.document });
  });

  test('nothing where the wishes alone stand in the way is told as well: what to give up instead', async () => {
    const rig = rigOf([desk], [line('a', 'condenser-48', '1'), line('b', 'condenser-48', '2')]);
    const wishes = {
      forbidden: [{ to: { device: 'desk', inlet: '2' }, line: 'b' }],
      pinned: [{ line: 'a', to: { device: 'desk', inlet: '1' } }],
    };
    const { instead } = await planned({ ...rig, wishes }, []);
    expect(instead).toMatchObject({ leftOut: 0, relaxations: [{ relax: expect.stringMatching(/pinned|forbidden/) }] });
  });
});

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
