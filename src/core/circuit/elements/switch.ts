import type { Resistor, Switch } from '../netlist';
import { resistor } from './resistor';
import { positive, spiceNumber, type ElementRules, type SpiceNames } from './rules';

const contact = (e: Switch): Resistor => ({ type: 'resistor', name: e.name, a: e.a, b: e.b, ohms: e.closedOhms });

export const switchContact: ElementRules<Switch> = {
  branches: () => 0,
  paths: ({ a, b, closed }, tell) => (closed ? tell(a, b) : undefined),
  senses: (e) => [e.a, e.b],
  fault: (e) => positive('closed resistance', e.closedOhms),
  stamp: (e, at) => (e.closed ? resistor.stamp(contact(e), at) : undefined),
  spice: (e, names) =>
    e.events?.length
      ? timed(e, names)
      : e.closed
        ? resistor.spice(contact(e), names)
        : [`* ${names.element(e.name)} is an open switch`],
};

/** How long a simulator's switch takes to move, in seconds. */
const MOVE = 1e-9;

/** A switch that moves: SPICE has it controlled by a voltage, here above or below half a volt. */
function timed(e: Switch, names: SpiceNames): string[] {
  const name = names.element(e.name);
  const level = (closed: boolean) => (closed ? 1 : 0);
  const moves = e.events!.flatMap(({ at, closed }, n) => {
    const before = n === 0 ? e.closed : e.events![n - 1].closed;
    return [`${spiceNumber(at)} ${level(before)}`, `${spiceNumber(at + MOVE)} ${level(closed)}`];
  });
  return [
    `S${name} ${names.node(e.a)} ${names.node(e.b)} ${name}_ctl 0 SM${name}`,
    `V${name}_ctl ${name}_ctl 0 PWL(0 ${level(e.closed)} ${moves.join(' ')})`,
    `.model SM${name} SW(RON=${spiceNumber(e.closedOhms)} ROFF=1e10 VT=0.5 VH=0.1)`,
  ];
}
