import { families, hunts } from './noise';

/** Families of recordings and worlds of hunts, whole; some twenty minutes. The figure of docs is drawn anew. */
families();
hunts(undefined, 'docs/figures/hunt-calibration.svg');
