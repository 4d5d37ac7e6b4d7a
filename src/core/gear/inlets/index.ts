import type { InletKind } from '../kinds';
import { balancedJack, insert, rcaLine, xlrLine } from './line';
import { combo, intercomLine, plugOnTransmitter, threePin } from './microphone';
import { bodypack, miniJack, phoneJack } from './plugIn';

export const INLETS: readonly InletKind[] = [
  threePin,
  combo,
  balancedJack,
  xlrLine,
  rcaLine,
  insert,
  miniJack,
  phoneJack,
  bodypack,
  plugOnTransmitter,
  intercomLine,
];
