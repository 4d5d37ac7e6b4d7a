import { cable, change, deskLine, deviceOf, link, planned, rigOf, verdicts } from '../../../tests/planning';
import type { Part } from '../gear';
import type { RigDocument } from '../rig';

/** The last one in the case, and what is owned against what is better: each counts as the rig's choices say. */

const desk = () => deviceOf('desk', [{ inlets: 2, offers: ['P48'], feed: 'P48' }]);

describe('the last one in the case', () => {
  const dead: Part = {
    ...cable(5),
    faults: [
      { type: 'open', contact: '2' },
      { type: 'open', contact: '3' },
    ],
  };
  const rig = (lastSpare: string): RigDocument => ({
    ...rigOf([desk()], [{ ...deskLine('singer', 'moving-coil', '1'), links: [dead] }]),
    schools: { lastSpare },
  });
  const laid = async (lastSpare: string, tens: number) => {
    const kit = [link('six', 1, cable(6)), ...(tens ? [link('ten', tens, cable(10))] : [])];
    const { proposal } = await planned(rig(lastSpare), kit);
    expect(verdicts(proposal.document)).toEqual(['Clear']);
    expect(proposal.toGet).toEqual([]);
    return change(proposal, 'singer').putIn;
  };

  test('is used like any other: the shortest that reaches', async () => {
    expect(await laid('use', 2)).toEqual(['six']);
  });

  test('is kept where something else will do', async () => {
    expect(await laid('keep', 2)).toEqual(['ten']);
  });

  test('is taken where nothing else does, or where the other is a last one too', async () => {
    expect(await laid('keep', 0)).toEqual(['six']);
    expect(await laid('keep', 1)).toEqual(['six']);
  });

  test('what lies on the rig already is no spare: the line stays as it is', async () => {
    const drawn = { ...rig('keep'), lines: [{ ...deskLine('singer', 'moving-coil', '1'), links: [cable(6)] }] };
    const { proposal } = await planned(drawn, [link('six', 1, cable(6)), link('ten', 3, cable(10))]);
    expect(proposal.lines).toEqual([]);
  });
});

describe('what is owned, against what makes a line Clear', () => {
  const rig = (ownedPart: string): RigDocument => ({
    ...rigOf(
      [desk()],
      [
        {
          id: 'bass',
          name: 'bass',
          source: { kind: 'piezo-pickup' },
          links: [cable(2, 'ts635'), { kind: 'passive-direct-box' }, cable(5)],
          inlet: { device: 'desk', inlet: '1' },
        },
        deskLine('singer', 'moving-coil', '2'),
      ],
    ),
    schools: { ownedPart },
  });
  const kit = [
    link('lead', 1, cable(2, 'ts635')),
    link('five', 2, cable(5)),
    link('box', 1, { kind: 'passive-direct-box' }),
  ];

  test('what is owned comes first: a line at Watch gets nothing', async () => {
    const { proposal } = await planned(rig('owned'), kit);
    expect([verdicts(proposal.document).toSorted(), proposal.toGet]).toEqual([['Clear', 'Watch'], []]);
  });

  test('or something is got for it, and for nobody else', async () => {
    const { proposal } = await planned(rig('clear'), kit);
    expect(verdicts(proposal.document)).toEqual(['Clear', 'Clear']);
    expect(proposal.toGet).toMatchObject([{ count: 1, lines: ['bass'] }]);
    expect(proposal.lines.map(({ line }) => line)).toEqual(['bass']);
  });

  test('nothing is got where the kit has what it takes, nor where only the kit is asked for', async () => {
    const own = [...kit, link('active', 1, { kind: 'active-direct-box' })];
    expect((await planned(rig('clear'), own)).proposal).toMatchObject({ toGet: [], counts: { Clear: 2 } });
    expect((await planned(rig('clear'), kit, { onlyKit: true })).proposal).toMatchObject({
      toGet: [],
      counts: { Watch: 1 },
    });
  });
});
