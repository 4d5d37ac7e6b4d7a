import { existsSync, readFileSync, writeFileSync } from 'node:fs';

/** Something that is said about a case, line by line. */
export interface Case {
  id: string;
  told: () => string[];
}

/**
 * Tests that cases are told as they were: whatever changes in words or figures shows in the difference of a file.
 * `KEEP=1 npx jest FILE` writes down what is told now, to be read there.
 * @param together so many cases a test; quick tests are of more use (docs/testing.md)
 */
export function toldAsKept(file: string, cases: readonly Case[], together = 1): void {
  if (process.env.KEEP) {
    test('what is told is written down', () => {
      const now = Object.fromEntries(cases.map(({ id, told }) => [id, told()]));
      writeFileSync(file, `${JSON.stringify(now, null, 1)}\n`);
      expect(Object.keys(now)).toHaveLength(cases.length);
    });
    return;
  }
  const kept = (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}) as Record<string, string[]>;
  const parts = Array.from({ length: Math.ceil(cases.length / together) }, (_, n) => ({
    from: cases[n * together].id,
    some: cases.slice(n * together, (n + 1) * together),
  }));
  test('every case is kept, and nothing else', () => expect(Object.keys(kept)).toEqual(cases.map(({ id }) => id)));
  test.each(parts)('$from', ({ some }) => {
    for (const { id, told } of some) expect({ [id]: told() }).toEqual({ [id]: kept[id] });
  });
}

/** Three figures are enough to tell two results apart; what is below a billionth is nothing. */
export const round = (value: number | null | undefined): string =>
  value === null || value === undefined ? '–' : Math.abs(value) < 1e-9 ? '0' : String(Number(value.toPrecision(3)));
