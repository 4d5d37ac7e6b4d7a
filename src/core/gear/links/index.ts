import type { LinkKind } from '../kinds';
import { cable } from './cable';
import { cameraAdapter } from './cameraAdapter';
import { activeDirectBox, passiveDirectBox, stereoDirectBox } from './directBoxes';
import { inlineBooster } from './inlineBooster';
import { attenuatingLead, isolatingLead } from './leads';
import { multicore } from './multicore';
import { blockingAdapter, isolatingTransformer, pad, polarityReverser, shieldCapacitor } from './passives';
import { patchPoint, threePinPatchPoint } from './patchPoints';
import { plainAdapter } from './plainAdapter';
import { plugInConverter } from './plugInConverter';
import { preamplifier } from './preamplifier';
import { activeSplitter, splitter } from './splitter';
import { supplyBox } from './supplyBox';
import { t12Supply } from './t12Supply';
import { fivePinSplit, stereoSplit, twoMonoToStereo, yLead } from './yLeads';

export const LINKS: readonly LinkKind[] = [
  cable,
  multicore,
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
  blockingAdapter,
  shieldCapacitor,
  preamplifier,
  attenuatingLead,
  isolatingLead,
  patchPoint,
  threePinPatchPoint,
  splitter,
  activeSplitter,
  fivePinSplit,
  yLead,
  stereoSplit,
  twoMonoToStereo,
  cameraAdapter,
];
