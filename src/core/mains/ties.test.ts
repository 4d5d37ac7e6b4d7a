import { readFileSync } from 'node:fs';
import { lineResult } from '../check';
import type { Line, Part } from '../gear';
import { parseDocument } from '../rig';
import { DEFAULT_SCHOOLS } from '../schools';
import { mainsReport } from './findings';

/** How lines hear by what they are made of, on the laptop’s line of the demo. */

const lockNine = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));

describe('what is unbalanced although its plugs have three contacts', () => {
  const how = (links: Part[]) => {
    const rig = {
      ...lockNine,
      lines: lockNine.lines.map((line) => (line.id === 'laptop' ? { ...line, links } : line)),
    };
    return mainsReport(rig).readings.lines.find(({ line }) => line === 'laptop')!.how;
  };
  const adapter = (wiring: string): Part => ({ kind: 'plain-adapter', choices: { wiring } });
  test.each<[string, Part[], string]>([
    ['tip to 2, ring to 3', [adapter('trs-to-xlr'), { kind: 'cable' }], 'balanced'],
    ['sleeve to 1 and 3', [adapter('trs-to-xlr-unbalanced'), { kind: 'cable' }], 'unbalanced'],
    [
      'a cable with its shield tied to pin 3',
      [adapter('trs-to-xlr'), { kind: 'cable', faults: [{ type: 'shield to cold' }] }],
      'unbalanced',
    ],
    [
      'behind a transformer it does not count',
      [
        adapter('trs-to-xlr'),
        { kind: 'isolating-transformer', choices: { ground: 'lifted' } },
        { kind: 'cable', faults: [{ type: 'shield to cold' }] },
      ],
      'transformer',
    ],
  ])('%s', (_, links, expected) => {
    expect(how(links)).toBe(expected);
  });
});

describe('a shield over a capacitor at the inlet', () => {
  const cable: Part = { kind: 'cable' };
  const barrel: Part = { kind: 'shield-capacitor' };
  const inlet = (feed: string): Part => ({ kind: 'three-pin', choices: { feed } });
  const judged = (source: Part, links: Part[], feed: string) =>
    lineResult({ id: 'line', name: 'line', source, links, inlet: inlet(feed) } as Line, DEFAULT_SCHOOLS);

  test('kills the phantom of a condenser, and says so; joined at both ends it runs', () => {
    expect(judged({ kind: 'condenser-48' }, [cable], 'P48').verdict).toBe('Clear');
    const cut = judged({ kind: 'condenser-48' }, [cable, barrel], 'P48');
    expect(cut.verdict).toBe('Silent');
    expect(cut.findings.map(({ code }) => code)).toContain('shield-open');
  });

  test('is no fault where an earthed line output is connected that needs no feed', () => {
    const source: Part = { kind: 'line-output', choices: { connector: 'xlr3', ground: 'earthed' } };
    expect(judged(source, [cable, barrel], 'off').findings.map(({ code }) => code)).not.toContain('shield-open');
  });
});
