import { setConventions, type Conventions } from '@/core/units/conventions';
import * as heavy from './heavy';

/** What a thread is given to do, and how it writes figures and words. */
export interface Task {
  name: keyof typeof heavy;
  given: unknown;
  conventions: Conventions;
}

/** Does what it is given. */
export function run({ name, given, conventions }: Task): unknown {
  setConventions(conventions);
  return (heavy[name] as (given: unknown) => unknown)(given);
}
