import type { Rule } from '../case';
import { cableFault } from './cableFault';
import { capsuleOvervoltage } from './capsuleOvervoltage';
import { doesNotFit } from './doesNotFit';
import { doublyPowered } from './doublyPowered';
import { elementDirectCurrent } from './elementDirectCurrent';
import { exposedPatch } from './exposedPatch';
import { factUnproven } from './factUnproven';
import { feedNotNeeded } from './feedNotNeeded';
import { feedOverload } from './feedOverload';
import { legLost } from './legLost';
import { intercomLine } from './intercom';
import { gainShort, headroomShort, linkClips } from './levels';
import { loaded } from './loaded';
import { longUnbalanced } from './longUnbalanced';
import { monoCancelled } from './monoCancelled';
import { oneSided } from './oneSided';
import { outputBackfeed } from './outputBackfeed';
import { outputsMeet } from './outputsMeet';
import { passiveY } from './passiveY';
import { plainAdapterRule } from './plainAdapter';
import { reversed } from './reversed';
import { ribbonFed } from './ribbonFed';
import { sharedFeeds } from './sharedFeeds';
import { shieldOpen } from './shieldOpen';
import { openPath, shortedPath } from './signalPath';
import { supplyOvervoltage } from './supplyOvervoltage';
import { unbalancedEntry } from './unbalancedEntry';
import { underpowered } from './underpowered';
import { unpowered } from './unpowered';
import { wrongContact } from './wrongContact';

/** Every rule, in the order in which findings of equal severity are told. */
export const RULES: readonly Rule[] = [
  intercomLine,
  elementDirectCurrent,
  capsuleOvervoltage,
  supplyOvervoltage,
  outputBackfeed,
  ribbonFed,
  exposedPatch,
  feedOverload,
  sharedFeeds,
  outputsMeet,
  passiveY,
  doesNotFit,
  unpowered,
  wrongContact,
  openPath,
  shortedPath,
  monoCancelled,
  underpowered,
  legLost,
  shieldOpen,
  oneSided,
  reversed,
  loaded,
  longUnbalanced,
  unbalancedEntry,
  plainAdapterRule,
  doublyPowered,
  gainShort,
  headroomShort,
  linkClips,
  factUnproven,
  cableFault,
  feedNotNeeded,
];
