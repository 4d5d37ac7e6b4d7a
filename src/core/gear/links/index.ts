import type { LinkKind } from '../part';
import { cable } from './cable';
import { cameraAdapter } from './cameraAdapter';
import { activeDirectBox, passiveDirectBox, stereoDirectBox } from './directBoxes';
import { inlineBooster } from './inlineBooster';
import { isolatingTransformer, pad, polarityReverser } from './passives';
import { patchPoint, threePinPatchPoint } from './patchPoints';
import { plainAdapter } from './plainAdapter';
import { plugInConverter } from './plugInConverter';
import { splitter } from './splitter';
import { supplyBox } from './supplyBox';
import { t12Supply } from './t12Supply';
import { stereoSplit, twoMonoToStereo, yLead } from './yLeads';

export const LINKS: readonly LinkKind[] = [
  cable,
  plainAdapter,
  plugInConverter,
  passiveDirectBox,
  stereoDirectBox,
  activeDirectBox,
  inlineBooster,
  supplyBox,
  t12Supply,
  isolatingTransformer,
  pad,
  polarityReverser,
  patchPoint,
  threePinPatchPoint,
  splitter,
  yLead,
  stereoSplit,
  twoMonoToStereo,
  cameraAdapter,
];
