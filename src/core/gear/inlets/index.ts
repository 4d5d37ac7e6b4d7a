import type { InletKind } from '../part';
import { balancedJack, combo, miniJack, phoneJack, plugOnTransmitter, threePin } from './kinds';

export const INLETS: readonly InletKind[] = [threePin, combo, balancedJack, miniJack, phoneJack, plugOnTransmitter];
