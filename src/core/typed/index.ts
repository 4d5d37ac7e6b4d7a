/** Lines as people type them: `2 x small condenser "pair" > 10 m > bag 1-2`. */
export { completions, type Completion } from './complete';
export { between, composed, LONGEST_NOTE, namesFor, plugOf, sourcesFor } from './composed';
export { deviceMeant, inletsMeant } from './inlets';
export { cableOf, isCableWord, lengthened, lengthIn, ofFeet } from './lengths';
export { candidatesOf, matches, meant, runsOf, tokensOf, type Candidate } from './match';
export { RIG_TEMPLATES, withRigTemplate, type RigTemplate } from './rigTemplates';
export { typedText } from './written';
export { cableMeant, partMeant, readTyped, withTyped, type Ambiguous, type TypedLine } from './typed';
