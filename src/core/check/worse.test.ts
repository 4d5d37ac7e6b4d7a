import * as gear from '../../../tests/lines/gear';
import type { Case } from './case';
import { checkLine } from './check';
import type { Checked } from './checked';
import { searchRemedies } from './search';
import { DEFAULT_SCHOOLS } from '../schools';

const seen: Case[] = [];
// The case as the rules get it.
jest.mock('./rules', () => ({
  RULES: [...jest.requireActual('./rules').RULES, { code: 'watching', judge: (at: Case) => (seen.push(at), []) }],
}));

const { line, xlr, xlrIn, condenser } = gear;

test('what ends one finding and makes another one worse is no remedy', () => {
  const before = checkLine(line(condenser, xlr(5), xlrIn()), DEFAULT_SCHOOLS);
  const [silent] = before.findings;
  expect(silent.code).toBe('unpowered');
  const other = { ...silent, code: 'loaded', severity: 'watch' as const };
  const both: Checked = { ...before, findings: [silent, other], verdict: 'Silent' };
  const told = (verdict: Checked['verdict'], severity: 'watch' | 'harm') =>
    searchRemedies(seen[0], both, () => ({ ...both, verdict, findings: [{ ...other, severity }] }))[0];
  expect(told('Watch', 'watch').length).toBeGreaterThan(0);
  expect(told('Stop', 'harm')).toEqual([]);
});
