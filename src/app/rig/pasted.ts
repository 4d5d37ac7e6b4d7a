/** Where a list that was pasted and not put in yet is kept. */
export const pastedKey = (rig: string): string => `pasted ${rig}`;
/** Where what is typed in the field for lines is kept. */
export const typedKey = (rig: string): string => `typed ${rig}`;
/** Where the rows of lists wait that still need an answer. */
export const waitingKey = (rig: string): string => `waiting ${rig}`;
