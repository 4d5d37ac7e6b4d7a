import { readFileSync } from 'node:fs';
import type { Line, Part } from '@/core/gear';
import { parseDocument, rigPaths } from '@/core/rig';
import { hypothesesOf } from '@/core/testing/hypotheses/hypotheses';
import { type Hypothesis } from '@/core/testing/hypotheses/hypothesis';
import { tableOf, type Table } from '@/core/testing/belief/belief';
import { subjectOf } from '@/core/testing/subject';

/** One cable between a source and an inlet on 48 V. */
export const oneCable = (source: Part = { kind: 'moving-coil' }, feed = 'P48'): Line => ({
  id: 'line',
  name: 'line',
  source,
  links: [{ kind: 'cable', name: 'cable' }],
  inlet: { kind: 'three-pin', choices: { feed } },
});

/** The usual wait of a careful school. */
export const WAIT = 60;

export const tableFor = (line: Line): Table => {
  const subject = subjectOf(line, WAIT);
  return tableOf(subject, hypothesesOf(subject));
};

/** The hypothesis that says so of the first link. */
export const named = ({ hypotheses }: Table, what: string): Hypothesis => {
  const found = hypotheses.find((each) => each.what === what);
  if (!found) throw new Error(`no ${what} among ${hypotheses.map((each) => each.what).join('; ')}`);
  return found;
};

/** Every line of the demo's rigs, followed to its inlet. */
export const demoLines = (): Line[] =>
  ['lock-nine', 'lock-nine-mended'].flatMap((name) =>
    rigPaths(parseDocument(readFileSync(`demo/${name}.json`, 'utf8'))).map(({ line }) => line),
  );
