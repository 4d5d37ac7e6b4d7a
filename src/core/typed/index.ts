/** Lines as people type them: `2 x small condenser "pair" > 10 m > bag 1-2`. */
export { completions, type Completion } from './complete';
export { partMeant, readTyped, withTyped, type Ambiguous, type TypedLine } from './typed';
