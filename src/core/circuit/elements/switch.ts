import type { Resistor, Switch } from '../netlist';
import { resistor } from './resistor';
import { positive, through, type ElementRules } from './rules';

const contact = (e: Switch): Resistor => ({ type: 'resistor', name: e.name, a: e.a, b: e.b, ohms: e.closedOhms });

export const switchContact: ElementRules<Switch> = {
  branches: () => 0,
  paths: (e) => ({ always: e.closed ? through(e) : [], signalOnly: [] }),
  senses: (e) => [e.a, e.b],
  fault: (e) => positive('closed resistance', e.closedOhms),
  stamp: (e, at) => (e.closed ? resistor.stamp(contact(e), at) : undefined),
  spice: (e, names) =>
    e.closed ? resistor.spice(contact(e), names) : [`* ${names.element(e.name)} is an open switch`],
};
