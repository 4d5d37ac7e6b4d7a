import { DEFAULT_SCHOOLS } from '../../schools';
import { judgeLine } from '../check';
import { readDocument } from '../../rig';
import { checkRig } from '../../rigcheck';
import { asRig, CASEBOOK } from '.';

/** Every situation, both ways: nothing missing, nothing extra. */
describe.each(CASEBOOK)('$title', ({ situations }) => {
  test.each(situations)('$what: $verdict', ({ line, verdict, codes, schools }) => {
    const checked = judgeLine(line, { ...DEFAULT_SCHOOLS, ...schools });
    const told = checked.findings.filter(({ severity }) => severity !== 'note').map(({ code }) => code);
    expect({ verdict: checked.verdict, told }).toEqual({ verdict, told: codes });
  });
});

const all = CASEBOOK.flatMap(({ situations }) => situations);

test('it is a book: two hundred situations and more, each with an id, a reason and a basis of its own', () => {
  expect(all.length).toBeGreaterThanOrEqual(200);
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
  for (const { what, because, basis } of all) {
    expect(what.length).toBeGreaterThan(8);
    expect(because).toMatch(/^[A-Z0-9].*\.$/);
    expect(basis).toMatch(/common practice|formula|IEC|DIN|connector families|contact order/);
  }
});

test('harm and silence are as well represented as what is sound', () => {
  for (const verdict of ['Stop', 'Silent', 'Watch', 'Clear'])
    expect(all.filter((each) => each.verdict === verdict).length).toBeGreaterThan(30);
});

test('opened as a rig every situation keeps its verdict', () => {
  for (const situation of all) {
    const rig = readDocument(JSON.parse(JSON.stringify(asRig(situation))));
    const { lines } = checkRig(rig);
    const own = lines.find(({ id }) => id === 'line')!;
    // A neighbour that only the casebook speaks of is not on the rig.
    if (situation.line.switch) continue;
    expect({ what: situation.what, verdict: own.verdict }).toEqual({
      what: situation.what,
      verdict: situation.verdict,
    });
  }
});

test('what is told can stand on a screen: sentences, units, no figure that no meter shows', () => {
  for (const { line, schools } of all) {
    const { findings } = judgeLine(line, { ...DEFAULT_SCHOOLS, ...schools });
    for (const { what, why, basis } of findings)
      for (const text of [what, why, basis]) {
        expect(text).not.toMatch(/NaN|undefined|Infinity|null|\[object| {2}|µV|−[2-9]\d\d dB|gets −/);
        expect(text).not.toMatch(/ stands? \d|speaks against|specifie/);
      }
    for (const { why } of findings) expect(why).toMatch(/^[A-Z0-9−].*[.!?]$/);
  }
});
