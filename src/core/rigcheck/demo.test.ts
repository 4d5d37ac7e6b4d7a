import { readFileSync } from 'node:fs';
import { parseDocument } from '../rig';
import { type LineResult } from '../check';
import { checkRig, fullRigResult } from '.';
import { SCHOOLS } from '../schools';

/** The weekend at Lock Nine, line by line: each mistake is found for its reason, and what is right is left alone. */
const read = (name: string) => parseDocument(readFileSync(`demo/${name}.json`, 'utf8'));
const rig = read('lock-nine');
const full = fullRigResult(rig);
const results = new Map(full.lines.map((line) => [line.id, line]));

test.each<[id: string, verdict: string, codes: string[]]>([
  ['pair-a-left', 'Clear', []],
  ['pair-a-right', 'Clear', []],
  ['ribbon-left', 'Stop', ['ribbon-fed']],
  ['ribbon-right', 'Stop', ['ribbon-fed']],
  ['long-ribbon', 'Stop', ['element-direct-current', 'exposed-patch']],
  ['active-ribbon', 'Clear', []],
  ['guide-body-worn', 'Stop', ['capsule-overvoltage']],
  ['announcer', 'Silent', ['open-path', 'feed-not-needed']],
  ['double-bass', 'Watch', ['loaded', 'feed-not-needed']],
  ['piano-left', 'Watch', ['through-as-input', 'feed-not-needed']],
  ['piano-right', 'Watch', ['through-as-input', 'feed-not-needed']],
  ['singer', 'Clear', ['shared-feeds']],
  ['singer-stream', 'Clear', ['shared-feeds']],
  ['t12-shotgun', 'Silent', ['unpowered']],
  ['valve', 'Clear', ['feed-not-needed']],
  ['laptop', 'Stop', ['output-backfeed', 'exposed-patch']],
  ['large-condenser', 'Silent', ['unpowered']],
  ['hydrophone', 'Watch', ['underpowered']],
  ['guide', 'Clear', ['feed-not-needed']],
  ['short-shotgun', 'Watch', ['doubly-powered']],
  ['keeper-self-powered', 'Clear', ['unbalanced-entry']],
  ['keeper-body-worn', 'Clear', []],
  ['camera', 'Silent', ['unpowered', 'wrong-contact']],
  ['wireless', 'Clear', []],
])('%s is %s', (id, verdict, codes) => {
  const result = results.get(id)!;
  expect(result.verdict).toBe(verdict);
  expect(result.findings.map(({ code }) => code)).toEqual(codes);
});

test('mended, nothing is Stop or Silent, and every Watch has its reason', () => {
  const { lines, unsolved, groups } = checkRig(read('lock-nine-mended'));
  expect(unsolved).toEqual([]);
  expect(lines).toHaveLength(rig.lines.length);
  for (const { verdict, findings } of lines) {
    expect(['Clear', 'Watch']).toContain(verdict);
    expect(findings.some(({ severity }) => severity === 'watch')).toBe(verdict === 'Watch');
  }
  for (const { verdict, objecting } of groups) {
    expect(['Clear', 'Watch']).toContain(verdict);
    expect(objecting).toEqual([]);
  }
});

test('most findings have a line here that shows them', () => {
  const shown = new Set([...results.values()].flatMap(({ findings }) => findings.map(({ code }) => code)));
  expect(shown.size).toBeGreaterThanOrEqual(14);
});

test('what a finding says can stand on a screen: whole sentences, numbers with units, nothing of the program', () => {
  const texts = ({ findings }: LineResult) => findings.flatMap(({ what, why, basis }) => [what, why, basis]);
  for (const result of results.values())
    for (const text of texts(result)) {
      expect(text).not.toMatch(/NaN|undefined|null|Infinity|\[object|\$\{/);
      expect(text.length).toBeGreaterThan(5);
      expect(text).not.toMatch(/ {2}/);
    }
  for (const { findings } of results.values())
    for (const { why } of findings) expect(why).toMatch(/^[A-Z0-9−].*[.!?]$/);
});

test('a finding that a school decided names one that exists', () => {
  for (const { findings } of results.values())
    for (const { school } of findings)
      if (school) expect(SCHOOLS[school.name].options.map(({ value }) => value as string)).toContain(school.choice);
});

test('the result is plain JSON: it reads back as it was written', () => {
  for (const result of results.values())
    expect(JSON.parse(JSON.stringify(result))).toEqual(JSON.parse(JSON.stringify(structuredClone(result))));
});
