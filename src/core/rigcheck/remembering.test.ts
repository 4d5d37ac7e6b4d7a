import { asRig, CASEBOOK } from '../check/casebook';
import { lineResult, lineSummary } from '../check/result';
import { DEFAULT_SCHOOLS } from '../schools/schools';
import { emptyRig, rigPaths, type RigDocument } from '../rig';
import { cable, desk } from '../../../tests/lines/lines';
import { checkRigLine, fullRigResult, remembering } from '.';

/** Two ribbons, two condensers over cables of one length, a condenser over a longer one. */
const alikes: RigDocument = {
  ...emptyRig('alikes'),
  devices: [desk(8, 'P48')],
  lines: ['passive-ribbon', 'passive-ribbon', 'condenser-48', 'condenser-48', 'condenser-48'].map((kind, n) => ({
    id: `line-${n}`,
    name: `Line ${n}`,
    source: { kind },
    links: [
      n < 4
        ? cable()
        : { kind: 'cable', figures: { length: { value: 60, unit: 'm' as const, basis: 'measured' as const } } },
    ],
    inlet: { device: desk(8, 'P48').id, inlet: String(n + 1) },
  })),
};

test('a line is judged once, however often it is asked for, and the same answer is the same object', () => {
  let asked = 0;
  const judge = remembering((line, schools) => (asked++, lineSummary(line, schools)));
  const [{ line }] = rigPaths(alikes);
  const first = judge(line, DEFAULT_SCHOOLS);
  expect(judge(structuredClone(line), DEFAULT_SCHOOLS)).toBe(first);
  expect(asked).toBe(1);
  judge(line, { ...DEFAULT_SCHOOLS, peakTarget: '-18' });
  judge({ ...line, links: [] }, DEFAULT_SCHOOLS);
  expect(asked).toBe(3);
});

test('lines that differ in their name alone are judged once, and each keeps its own', () => {
  let asked = 0;
  const judge = remembering((line, schools) => (asked++, lineSummary(line, schools)));
  const [{ line }] = rigPaths(alikes);
  const [first, second] = ['one', 'other'].map((id) => judge({ ...line, id, name: id }, DEFAULT_SCHOOLS));
  expect(asked).toBe(1);
  expect([first.id, first.name, second.id, second.name]).toEqual(['one', 'one', 'other', 'other']);
  expect(second.findings).toEqual(first.findings);
});

test('where lines meet, each is judged by itself: their findings call each other by name', () => {
  let asked = 0;
  const judge = remembering((line, schools) => (asked++, lineSummary(line, schools)));
  const split = CASEBOOK.flatMap(({ situations }) => situations).find(({ line }) => line.branches?.length)!;
  const { line } = rigPaths(asRig(split)).find(({ line }) => line.branches?.length)!;
  for (const name of ['one', 'other']) judge({ ...line, name }, DEFAULT_SCHOOLS);
  expect(asked).toBe(2);
});

test('what lines of a rig share changes nothing about any of them', () => {
  const { lines } = fullRigResult(alikes);
  expect(lines).toHaveLength(5);
  for (const line of lines) expect(line).toEqual(checkRigLine(alikes, line.id));
  expect(lines[1].moments).toBe(lines[0].moments);
  expect(lines[4].moments).not.toEqual(lines[3].moments);
});

test('where plugging has no answer over time, verdict and everything else of the line stand, and the reason is told', () => {
  const split = CASEBOOK.flatMap(({ situations }) => situations).find(({ what }) =>
    what.startsWith('Ribbon over a splitter, the other desk on the direct output'),
  )!;
  const { lines, unsolved } = fullRigResult(asRig(split));
  expect(unsolved).toEqual([]);
  const [, line] = lines;
  expect(line.verdict).toBe('Stop');
  expect(line.moments!.plugged).toHaveLength(1);
  expect(line.moments!.notFollowed).toMatch(/\w/);
  expect(lineResult(rigPaths(asRig(split))[1].line, DEFAULT_SCHOOLS).verdict).toBe('Stop');
});
