import { checked } from '../../../tests/lines/lines';
import { FEEDS } from '../standards/feeds';
import { INLETS, LINKS, SOURCES } from '../gear';
import { CASEBOOK } from './casebook';
import { SCHOOLS, schoolLabel, type SchoolName } from '../schools/schools';

/** Every text of every finding of the casebook keeps to a few rules of plain words. */
const findings = CASEBOOK.flatMap(({ situations }) =>
  situations.flatMap(({ what, line, schools }) =>
    checked(line, schools).findings.map((finding) => ({ situation: what, finding })),
  ),
);

/** Figures with their unit: "48 V", "−6 dB"; what a thing is called counts as no figure. */
const figures = (text: string): string[] =>
  text.replace(/\b(6\.35|3\.5) mm/g, '').match(/−?\d+(\.\d+)? ?(V|mA|dB\w*|Hz|kHz|Ω|kΩ|MΩ|m|W)\b/g) ?? [];

test('a title has one figure at most, and is no sentence', () => {
  expect(findings.length).toBeGreaterThan(190);
  for (const { finding } of findings) {
    expect([finding.what, figures(finding.what).length]).toEqual([
      finding.what,
      Math.min(figures(finding.what).length, 1),
    ]);
    expect(finding.what).toMatch(/^[A-Z0-9].*[^.]$/);
    expect(finding.what.length).toBeLessThanOrEqual(75);
  }
});

test('reasons are sentences, short enough to be read standing', () => {
  for (const { finding } of findings) {
    expect(finding.why).toMatch(/^[A-Z0-9−“].*[.!]$/);
    expect(finding.why.length).toBeLessThanOrEqual(420);
    expect(finding.why).not.toMatch(/\s{2}|\.\.|\( | \)/);
  }
});

test('figures as the trade says them: three digits, no micro where milli will do, no sign that a meter lacks', () => {
  for (const { finding } of findings)
    for (const text of [finding.what, finding.why, ...finding.remedies.map(({ label }) => label)]) {
      for (const figure of figures(text))
        expect(figure.replace(/[^0-9]/g, '').replace(/^0+/, '').length).toBeLessThanOrEqual(4);
      expect(text).not.toMatch(/µV|−[2-9]\d\d dB|gets −|-\d|NaN|undefined|Infinity/);
    }
});

test('the words of the trade, not those of the program', () => {
  const invented =
    /moving coil|body-worn|three-pin|\bcells\b|\bmoments?\b|speaks against|specifie[sd]|otherwise|one another|conductors? of its own|\bthings\b/i;
  for (const { finding } of findings)
    for (const text of [
      finding.what,
      finding.why,
      finding.look ?? '',
      ...finding.remedies.flatMap(({ label, note }) => [label, note ?? '']),
    ])
      expect(text).not.toMatch(invented);
});

test('"its data sheet" only where a figure is said to come from one', () => {
  for (const { finding } of findings)
    if (/\(data sheet\)/.test(finding.why))
      expect(finding.numbers.some(({ limit }) => limit?.basis === 'maker')).toBe(true);
});

test('what rests on an assumed limit says so, in the figure and beside the verdict', () => {
  const guessed = findings.filter(
    ({ finding }) => finding.numbers[0]?.limit?.basis === 'assumed' && finding.severity === 'harm',
  );
  expect(guessed.length).toBeGreaterThan(10);
  for (const { finding } of guessed) {
    expect(finding.why).toMatch(/\(assumed\)/);
    if (finding.code !== 'capsule-overvoltage') expect(finding.assumed).toBeTruthy();
  }
});

test('every number has a label, a unit and a finite value; every finding a number or a basis', () => {
  for (const { finding } of findings) {
    expect(finding.basis.length).toBeGreaterThan(5);
    for (const { label, value, limit } of finding.numbers) {
      expect(label).toMatch(/^[A-Z]/);
      expect(Number.isFinite(value)).toBe(true);
      if (limit) expect(Number.isFinite(limit.value)).toBe(true);
    }
  }
});

test('a remedy is a verb and its object', () => {
  const verbs =
    /^(Add|Use|Remove|Replace|Move|Try|Set|Turn|Put|Run|Press|Pad (in|out)|Battery of .* switched|Its supply switched|[A-Z].*: .*)/;
  for (const { finding } of findings) for (const { label } of finding.remedies) expect(label).toMatch(verbs);
});

test.each(Object.keys(SCHOOLS) as SchoolName[])(
  'school %s: a question, why people differ, options in words',
  (name) => {
    const { question, why, options } = SCHOOLS[name];
    expect(question).toMatch(/^[A-Z].*[^.?]$/);
    expect(why).toMatch(/^[A-Z].*\.$/);
    expect(options.length).toBeGreaterThanOrEqual(2);
    expect(new Set(options.map(({ label }) => label)).size).toBe(options.length);
    for (const { value, label } of options) expect(schoolLabel(name, value)).toBe(label);
  },
);

test('feeds and gear are called what the trade calls them', () => {
  for (const { label } of Object.values(FEEDS)) expect(label).not.toMatch(/^P\d|feed$/);
  for (const { label, summary } of [...SOURCES, ...LINKS, ...INLETS]) {
    expect(label).not.toMatch(/moving coil|body-worn|three-pin/i);
    expect(summary).not.toMatch(/moving coil|body-worn|three-pin/i);
  }
});
