import fc from 'fast-check';

/** Property tests repeat the same cases on every run; PROPERTY_SEED=N looks at others. */
fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? 9) });
