import type { Capacitor } from '../netlist';
import { positive, spiceHead, spiceNumber, stampBetween, type ElementRules } from './rules';

export const capacitor: ElementRules<Capacitor> = {
  branches: () => 0,
  paths: ({ a, b }, tell) => tell(a, b, true),
  fault: (e) => positive('capacitance', e.farads),
  stamp: (e, at) => stampBetween(at.c, at.node(e.a), at.node(e.b), e.farads),
  spice: (e, names) => [
    `${spiceHead('C', e, names)} ${spiceNumber(e.farads)}` +
      (e.initialVolts === undefined ? '' : ` IC=${spiceNumber(e.initialVolts)}`),
  ],
};
