import { answered } from '../circuit';
import type { Checked } from './checked';

/** What became of a line after some edits; nothing where its circuit has no answer: what cannot be solved is no remedy. */
export type Attempt = Pick<Checked, 'verdict' | 'findings'> | undefined;

/** @param judge judges the line after the edits */
export const attempt = (judge: () => Checked): Attempt =>
  answered(() => {
    const { verdict, findings } = judge();
    return { verdict, findings };
  });
