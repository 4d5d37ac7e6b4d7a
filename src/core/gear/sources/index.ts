import type { SourceKind } from '../kinds';
import { activeInstrument } from './activeInstrument';
import { activeMovingCoil } from './activeMovingCoil';
import { activeRibbon } from './activeRibbon';
import { batteryOrPhantom } from './batteryOrPhantom';
import { condenser48 } from './condenser48';
import { condenserT12 } from './condenserT12';
import { condenserWide } from './condenserWide';
import { hydrophone } from './hydrophone';
import { lineOutput } from './lineOutput';
import { movingCoil } from './movingCoil';
import { passiveRibbon } from './passiveRibbon';
import { magneticPickup, piezoPickup } from './pickups';
import { plugInElectret } from './plugInElectret';
import { selfPoweredElectret } from './selfPoweredElectret';
import { stereoCondenser } from './stereoCondenser';
import { valveOwnSupply } from './valveOwnSupply';
import { wirelessReceiver } from './wirelessReceiver';

export const SOURCES: readonly SourceKind[] = [
  movingCoil,
  activeMovingCoil,
  passiveRibbon,
  activeRibbon,
  condenser48,
  condenserWide,
  batteryOrPhantom,
  stereoCondenser,
  condenserT12,
  plugInElectret,
  selfPoweredElectret,
  valveOwnSupply,
  lineOutput,
  wirelessReceiver,
  activeInstrument,
  hydrophone,
  piezoPickup,
  magneticPickup,
];
