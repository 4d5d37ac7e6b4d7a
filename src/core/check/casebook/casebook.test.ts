import { DEFAULT_SCHOOLS } from '..';
import { judgeLine } from '../check';
import { CASEBOOK } from '.';

/** Every situation, both ways: nothing missing, nothing extra. */
describe.each(CASEBOOK)('$title', ({ situations }) => {
  test.each(situations)('$what: $verdict', ({ line, verdict, codes, schools }) => {
    const checked = judgeLine(line, { ...DEFAULT_SCHOOLS, ...schools });
    const told = checked.findings.filter(({ severity }) => severity !== 'note').map(({ code }) => code);
    expect({ verdict: checked.verdict, told }).toEqual({ verdict, told: codes });
  });
});
