import { readFileSync } from 'node:fs';
import { parseDocument, schoolsOf } from '../rig';
import { lineResult, SCHOOLS, type LineResult } from '.';

/** The weekend at Lock Nine, line by line: each mistake is found for its reason, and what is right is left alone. */
const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const results = new Map(rig.lines.map((line) => [line.id, lineResult(line, schoolsOf(rig))]));

test.each<[id: string, verdict: string, codes: string[]]>([
  ['pair-a-left', 'Clear', []],
  ['large-condenser', 'Silent', ['unpowered']],
  ['ribbon-left', 'Stop', ['ribbon-fed']],
  ['long-ribbon', 'Stop', ['element-direct-current', 'ribbon-fed', 'exposed-patch', 'feed-overload']],
  ['active-ribbon', 'Clear', []],
  ['guide', 'Clear', ['feed-not-needed']],
  ['announcer', 'Silent', ['open-path', 'feed-not-needed']],
  ['guide-body-worn', 'Stop', ['capsule-overvoltage', 'loaded', 'unbalanced-entry', 'plain-adapter']],
  ['keeper-body-worn', 'Watch', ['loaded', 'unbalanced-entry']],
  ['short-shotgun', 'Watch', ['doubly-powered']],
  ['hydrophone', 'Clear', []],
  ['double-bass', 'Watch', ['loaded', 'feed-not-needed']],
  ['piano-left', 'Watch', ['through-as-input', 'long-unbalanced']],
  ['laptop', 'Stop', ['output-backfeed', 'feed-overload', 'feed-not-needed']],
  ['camera', 'Silent', ['unpowered', 'wrong-contact']],
  ['t12-shotgun', 'Silent', ['unpowered']],
  ['wireless', 'Clear', []],
])('%s is %s', (id, verdict, codes) => {
  const result = results.get(id)!;
  expect(result.verdict).toBe(verdict);
  expect(result.findings.map(({ code }) => code)).toEqual(codes);
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
