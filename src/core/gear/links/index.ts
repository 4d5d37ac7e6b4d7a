import type { LinkKind } from '../part';
import { cable } from './cable';
import { activeDirectBox, passiveDirectBox } from './directBoxes';
import { inlineBooster } from './inlineBooster';
import { isolatingTransformer, pad, patchPoint, polarityReverser } from './passives';
import { plainAdapter } from './plainAdapter';
import { plugInConverter } from './plugInConverter';
import { supplyBox } from './supplyBox';

export const LINKS: readonly LinkKind[] = [
  cable,
  plainAdapter,
  plugInConverter,
  passiveDirectBox,
  activeDirectBox,
  inlineBooster,
  supplyBox,
  isolatingTransformer,
  pad,
  polarityReverser,
  patchPoint,
];
