import type { Coupling, IdealTransformer, Inductor } from '../netlist';
import { conducts, positive, spiceHead, spiceNumber, stampBranch, type ElementRules } from './rules';

/** v(a, b) - L·di/dt = 0: at direct current a short circuit. */
export const inductor: ElementRules<Inductor> = {
  branches: () => 1,
  paths: conducts,
  fault: (e) => positive('inductance', e.henries),
  stamp(e, at) {
    const branch = at.branch(e.name);
    stampBranch(at, at.node(e.a), at.node(e.b), branch);
    at.c(branch, branch, -e.henries);
  },
  spice: (e, names) => [
    `${spiceHead('L', e, names)} ${spiceNumber(e.henries)}` +
      (e.initialAmps === undefined ? '' : ` IC=${spiceNumber(e.initialAmps)}`),
  ],
};

/** Mutual inductance M = factor · √(L1·L2) between the branches of two inductors. */
export const coupling: ElementRules<Coupling> = {
  branches: () => 0,
  paths: () => undefined,
  fault: (e) =>
    e.factor > 0 && e.factor < 1 ? undefined : `coupling factor must lie between 0 and 1, not ${e.factor}`,
  stamp(e, at) {
    const mutual = e.factor * Math.sqrt(at.henries(e.first) * at.henries(e.second));
    at.c(at.branch(e.first), at.branch(e.second), -mutual);
    at.c(at.branch(e.second), at.branch(e.first), -mutual);
  },
  spice: (e, names) => [
    `K${names.element(e.name)} L${names.element(e.first)} L${names.element(e.second)} ${spiceNumber(e.factor)}`,
  ],
};

/** v(k)/turns(k) = v(0)/turns(0) for every further winding; the ampere-turns sum to zero. */
export const idealTransformer: ElementRules<IdealTransformer> = {
  branches: (e) => e.windings.length,
  paths: ({ windings }, tell) => windings.forEach(({ a, b }) => tell(a, b)),
  fault: (e) =>
    e.windings.length < 2
      ? 'an ideal transformer needs two windings or more'
      : e.windings.map((w) => positive('number of turns', w.turns)).find(Boolean),
  stamp(e, at) {
    const [first, ...others] = e.windings;
    const sum = at.branch(e.name, 0);
    e.windings.forEach((winding, n) => {
      at.g(at.node(winding.a), at.branch(e.name, n), 1);
      at.g(at.node(winding.b), at.branch(e.name, n), -1);
      at.g(sum, at.branch(e.name, n), winding.turns);
    });
    others.forEach((winding, n) => {
      const row = at.branch(e.name, n + 1);
      at.g(row, at.node(winding.a), 1 / winding.turns);
      at.g(row, at.node(winding.b), -1 / winding.turns);
      at.g(row, at.node(first.a), -1 / first.turns);
      at.g(row, at.node(first.b), 1 / first.turns);
    });
  },
  spice(e, names) {
    const [first, ...others] = e.windings;
    const end = (winding: { a: string; b: string }) => `${names.node(winding.a)} ${names.node(winding.b)}`;
    // Each further winding follows the first one's voltage and, through a sensing source, takes its share of current.
    return others.flatMap((winding, n) => {
      const name = names.element(`${e.name}.${n + 2}`);
      const middle = `${name}_sense`;
      const turns = winding.turns / first.turns;
      return [
        `V${name} ${names.node(winding.a)} ${middle} 0`,
        `E${name} ${middle} ${names.node(winding.b)} ${end(first)} ${spiceNumber(turns)}`,
        `F${name} ${end(first)} V${name} ${spiceNumber(-turns)}`,
      ];
    });
  },
};
