/** Lines as people type them: `2 x small condenser "pair" > 10 m > bag 1-2`. */
export { candidatesOf, matches, type Candidate } from './match';
export { readTyped, withTyped, type TypedLine } from './typed';
