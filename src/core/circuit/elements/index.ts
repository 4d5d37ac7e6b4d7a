import type { Element } from '../netlist';
import { capacitor } from './capacitor';
import {
  currentControlledCurrent,
  currentControlledVoltage,
  voltageControlledCurrent,
  voltageControlledVoltage,
} from './controlled';
import { diode } from './diode';
import { constantCurrentLoad } from './load';
import { resistor } from './resistor';
import type { ElementRules } from './rules';
import { currentSource, voltageSource } from './sources';
import { switchContact } from './switch';
import { coupling, idealTransformer, inductor } from './windings';

const byType: { [T in Element['type']]: ElementRules<Extract<Element, { type: T }>> } = {
  resistor,
  capacitor,
  inductor,
  coupling,
  idealTransformer,
  voltageSource,
  currentSource,
  voltageControlledVoltage,
  voltageControlledCurrent,
  currentControlledCurrent,
  currentControlledVoltage,
  diode,
  constantCurrentLoad,
  switch: switchContact,
};

/** The rules of one element's type. */
export const rulesOf = (element: Element): ElementRules<Element> =>
  byType[element.type] as unknown as ElementRules<Element>;
