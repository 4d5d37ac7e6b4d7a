import { condensers } from './condensers';
import { dynamics } from './dynamics';
import { everyday } from './everyday';
import { lavaliers } from './lavaliers';
import { mixups } from './mixups';
import { outputs } from './outputs';
import { ribbons } from './ribbons';
import type { Theme } from './situation';

export { asRig } from './asRig';
export type { Situation, Theme } from './situation';

/** Situations of the trade with the verdict an engineer would give, by theme. */
export const CASEBOOK: readonly Theme[] = [condensers, dynamics, ribbons, lavaliers, outputs, everyday, mixups];
