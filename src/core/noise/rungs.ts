/** States of a line in which it is measured; each takes something away from the one before. */
export const RUNGS = {
  'as-used': 'everything as used',
  'source-quiet': 'source quiet',
  'feed-off': 'feed off',
  'gain-down': 'gain down',
  'output-down': 'output of the preamplifier down',
  'inlet-shorted': 'recording inlet shorted',
} as const;
export type Rung = keyof typeof RUNGS;
