import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { runs } from '../../../tests/explore';
import { desk } from '../../../tests/lines/lines';
import { LINKS, SOURCES } from '../gear';
import { applyToRig, emptyRig, parseDocument, readDocument, setFeed, type RigDocument, type RigLine } from '../rig';
import type { FeedName } from '../standards/feeds';
import { VERDICT_ORDER, verdictOf } from '.';
import { checkRig, checkRigLine, groupFeeds } from '../rigcheck';

const demo = ['lock-nine', 'lock-nine-mended'].map((name) => parseDocument(readFileSync(`demo/${name}.json`, 'utf8')));
const verdicts = (rig: RigDocument) => new Map(checkRig(rig).lines.map(({ id, verdict }) => [id, verdict]));
const objects = (verdict: string | undefined) => verdict === 'Stop' || verdict === 'Silent';

/** What the check promises of a remedy is what the whole rig shows once it is applied: one set of rules for both. */
describe.each(demo.map((rig) => [rig.name, rig] as const))(
  '%s: every remedy and every answer keeps its promise',
  (_, rig) => {
    const before = verdicts(rig);
    test.each(rig.lines.map(({ id }) => id))('%s', (id) => {
      const { findings } = checkRigLine(rig, id)!;
      for (const { remedies, answers = [] } of findings)
        for (const { label, edits, gives, ...more } of [...remedies, ...answers]) {
          const after = applyToRig(rig, id, edits);
          expect(readDocument(JSON.parse(JSON.stringify(after))).lines.length).toBeGreaterThan(0);
          const now = verdicts(after);
          expect({ label, verdict: now.get(id) }).toEqual({ label, verdict: gives });
          // Who gets worse besides is told.
          const worse = [...now].filter(
            ([other, verdict]) =>
              other !== id && VERDICT_ORDER.indexOf(verdict) < VERDICT_ORDER.indexOf(before.get(other) ?? 'Clear'),
          );
          const told = 'others' in more && more.others !== undefined;
          const turns = edits.some((edit) => edit.do === 'choose' && edit.choice === 'feed');
          if (turns) expect({ label, told }).toEqual({ label, told: worse.length > 0 });
        }
    });
  },
);

/** Rigs as people might build them: lines on one desk, some meeting in a splitter, a Y-lead or a box. */
const anyRig: fc.Arbitrary<RigDocument> = fc
  .record({
    feed: fc.constantFrom<FeedName>('off', 'P12', 'P24', 'P48'),
    lines: fc.array(
      fc.record({
        source: fc.constantFrom(...SOURCES.map(({ kind }) => kind)),
        links: fc.array(fc.constantFrom(...LINKS.map(({ kind }) => kind)), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    meeting: fc.constantFrom('none', 'splitter', 'y-lead', 'sum', 'box'),
  })
  .map(({ feed, lines: wanted, meeting }): RigDocument => {
    const lines = wanted.map(({ source, links }, n): RigLine => ({
      id: `line-${n}`,
      name: `line ${n}`,
      source: { kind: source },
      links: links.map((kind) => ({ kind })),
      inlet: { device: 'desk', inlet: String(n + 1) },
    }));
    const first = lines[0];
    const link = {
      none: undefined,
      splitter: { kind: 'splitter', id: 'meet' },
      'y-lead': { kind: 'y-lead', id: 'meet' },
      sum: { kind: 'y-lead', id: 'meet', choices: { use: 'sum' } },
      box: { kind: 'passive-direct-box', id: 'meet' },
    }[meeting];
    if (link) {
      first.links = [link, ...first.links];
      const socket = { line: 'line-0', link: 'meet', port: meeting === 'box' ? 'through' : 'b' };
      const second = { id: 'second', name: 'second', links: [{ kind: 'cable' }] };
      lines.push(
        meeting === 'sum' || meeting === 'box'
          ? { ...second, source: { kind: 'moving-coil' }, inlet: { into: socket } }
          : { ...second, source: { from: socket }, inlet: { device: 'desk', inlet: '6' } },
      );
    }
    return { ...emptyRig('any'), devices: [desk(6, feed)], lines };
  });

describe('any rig', () => {
  test('is solved line by line; a switch has the worst of its lines’ verdicts, and those that object are Stop or Silent', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        const { lines, unsolved, groups } = checkRig(readDocument(rig));
        expect(lines.length + unsolved.length).toBe(rig.lines.length);
        for (const group of groups) {
          const own = lines.filter(({ id }) => group.lines.includes(id)).map(({ verdict }) => verdict);
          const worst = VERDICT_ORDER.find((verdict) => [...own, verdictOf(group.findings)].includes(verdict));
          expect(group.verdict).toBe(worst ?? 'Clear');
          // Whoever blames the feed is Stop or Silent; what is dead for another reason does not.
          for (const id of group.objecting) expect(objects(lines.find((line) => line.id === id)?.verdict)).toBe(true);
          for (const id of group.lines)
            if (lines.find((line) => line.id === id)?.verdict === 'Stop') expect(group.objecting).toContain(id);
          expect(Number.isFinite(group.amps)).toBe(true);
        }
      }),
      { numRuns: runs(120) },
    );
  });

  test('a setting says of each line what the check says once the switch is turned', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        for (const { feed, accepted, lines } of groupFeeds(rig, 'desk', 'all')) {
          const now = verdicts(setFeed(rig, 'desk', 'all', feed));
          for (const { line, verdict } of lines) if (now.has(line)) expect(verdict).toBe(now.get(line));
          if (accepted) expect(lines.filter(({ verdict, regardless }) => objects(verdict) && !regardless)).toEqual([]);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  test('lines that do not meet do not touch each other: taking one away leaves the others’ readings', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        const alone = { ...rig, lines: rig.lines.slice(0, 1) };
        const met = rig.lines.some(({ id }) => id === 'second');
        if (met) return;
        const [first] = checkRig(rig).lines;
        const [same] = checkRig(alone).lines;
        if (first?.id === 'line-0') expect(first.readings).toEqual(same.readings);
      }),
      { numRuns: runs(60) },
    );
  });
});
