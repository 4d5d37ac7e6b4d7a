import { readDocument } from '../rig';
import type { Proposal } from '.';
import { cable, change, deskLine, deviceOf, link, planned, rigOf, verdicts } from '../../../tests/planning';

describe('wishes', () => {
  const desk = deviceOf('desk', [
    { inlets: 3, offers: ['P48'], feed: 'P48' },
    { inlets: 3, offers: ['P48'], feed: 'off' },
  ]);
  const rig = rigOf(
    [desk],
    [deskLine('a', 'condenser-48', '1'), deskLine('b', 'moving-coil', '4'), deskLine('c', 'moving-coil', '6')],
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

  test('a switch whose inlets are all blocked has nobody on it, and says so', async () => {
    const forbidden = ['1', '2', '3'].map((inlet) => ({ to: { device: 'desk', inlet } }));
    const { proposal } = await planned({ ...rig, wishes: { forbidden } }, []);
    const bank = proposal.switches.find(({ from, to }) => from === 'P48' && to === 'off');
    expect(bank?.reason).toBe('No line is on it: its inlets are blocked. Leave it if somebody else uses them.');
    expect(['4', '5', '6']).toContain((inletOf(proposal, 'a') as { inlet: string }).inlet);
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
    const two = rigOf([few], [deskLine('a', 'condenser-48', '1'), deskLine('b', 'condenser-48', '2')]);
    const plan = await planned(two, [], { onlyKit: true });
    expect(plan.proposal.leftOut).toHaveLength(1);
    expect(plan.proposal.leftOut[0].reason).toBe(
      'desk can give 4 mA in all; with this line on it 6 mA would be taken.',
    );
    expect(plan.instead?.relaxations).toEqual([{ relax: 'feed limit', device: 'desk' }]);
  });

  test('where a device can give only so much, a supply of the kit takes over for one of its lines', async () => {
    const bank = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);
    const rig = (most: number) =>
      rigOf(
        [{ ...bank, feedLimit: { value: most, unit: 'mA', basis: 'maker' } }],
        [deskLine('a', 'condenser-48', '1'), deskLine('b', 'condenser-48', '2')],
      );
    const kit = [link('box', 1, { kind: 'supply-box' })];
    expect((await planned(rig(20), kit, { onlyKit: true })).proposal).toMatchObject({ lines: [], leftOut: [] });
    const few = (await planned(rig(4), kit, { onlyKit: true })).proposal;
    expect(few.leftOut).toEqual([]);
    expect(few.lines.map(({ putIn }) => putIn)).toEqual([['box']]);
    expect(few.lines[0].reason).toBe('desk can give 4 mA in all; with this line on it 6 mA would be taken.');
  });

  test('a line goes only as far as the cables reach, with an extension if there is one', async () => {
    const far = deviceOf('far', [{ inlets: 1, offers: ['P48'], feed: 'P48' }], { location: 'hall' });
    const near = deviceOf('near', [{ inlets: 1, offers: [], feed: 'off' }], { location: 'stage' });
    const metres = (value: number) => ({ value, unit: 'm' as const, basis: 'measured' as const });
    const own = {
      ...deskLine('a', 'condenser-48', '1'),
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
    expect(change(proposal, 'right').reason).toBe('At present Watch (thru socket used as a second input).');
  });
});

describe('what is to be got', () => {
  const desk = deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);

  test('one box where one is enough: a condenser and a ribbon on one switch', async () => {
    const { proposal } = await planned(
      rigOf([desk], [deskLine('a', 'condenser-48', '1'), deskLine('b', 'passive-ribbon', '2')]),
      [],
    );
    expect(proposal.leftOut).toEqual([]);
    expect(proposal.toGet.reduce((sum, { count }) => sum + count, 0)).toBe(1);
    expect(verdicts(proposal.document).every((verdict) => verdict === 'Clear' || verdict === 'Watch')).toBe(true);
  });

  test('an inlet on a switch of its own where there is no inlet left', async () => {
    const rig = rigOf([desk], [deskLine('a', 'condenser-48', '1'), deskLine('b', 'condenser-48', '2')]);
    const wishes = { forbidden: [{ to: { device: 'desk', inlet: '2' } }] };
    const { proposal } = await planned({ ...rig, wishes }, []);
    expect(proposal.leftOut).toEqual([]);
    expect(proposal.toGet).toMatchObject([{ label: 'XLR inlet with a separate 48 V switch', count: 1 }]);
    expect(proposal.document.devices.map(({ name }) => name)).toEqual(['desk', expect.stringMatching(/^Inlet to get/)]);
    expect(() => readDocument(structuredClone(proposal.document))).not.toThrow();
    // Once it is there, it is an inlet like any other.
    const again = await planned(proposal.document, []);
    expect(again.proposal).toMatchObject({ lines: [], switches: [], toGet: [], document: proposal.document });
  });

  test('nothing where the wishes alone stand in the way is told as well: what to give up instead', async () => {
    const rig = rigOf([desk], [deskLine('a', 'condenser-48', '1'), deskLine('b', 'condenser-48', '2')]);
    const wishes = {
      forbidden: [{ to: { device: 'desk', inlet: '2' }, line: 'b' }],
      pinned: [{ line: 'a', to: { device: 'desk', inlet: '1' } }],
    };
    const { instead } = await planned({ ...rig, wishes }, []);
    expect(instead).toMatchObject({ leftOut: 0, relaxations: [{ relax: expect.stringMatching(/pinned|forbidden/) }] });
  });
});
