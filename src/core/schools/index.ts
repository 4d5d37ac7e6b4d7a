/** Points on which good engineers disagree, and the careful default of each. */
export * from './schools';
