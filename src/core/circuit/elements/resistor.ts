import type { Resistor } from '../netlist';
import { conducts, positive, spiceHead, spiceNumber, stampBetween, type ElementRules } from './rules';

export const resistor: ElementRules<Resistor> = {
  branches: () => 0,
  paths: conducts,
  fault: (e) => positive('resistance', e.ohms),
  stamp: (e, at) => stampBetween(at.g, at.node(e.a), at.node(e.b), 1 / e.ohms),
  spice: (e, names) => [`${spiceHead('R', e, names)} ${spiceNumber(e.ohms)}`],
};
