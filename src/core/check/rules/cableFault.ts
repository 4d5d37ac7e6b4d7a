import { CONNECTORS, linkKind, type Fault } from '../../gear';
import { faulty, finding, nameOf, quantity, type Case, type Rule } from '../case';
import { uncapital } from '../../units/format';

const contact = (at: Case, n: number, name: string): string => {
  const { input } = at.circuit.links[n];
  return CONNECTORS[input].contacts[0] === '1'
    ? `pin ${name}`
    : ({ T: 'tip', R: 'ring', R1: 'first ring', R2: 'second ring', S: 'sleeve' }[name] ?? name);
};

/** A fault as one says it: "pin 3 open at 8 m". */
function faultWords(at: Case, n: number, fault: Fault): string {
  const named = (name: string) => contact(at, n, name);
  switch (fault.type) {
    case 'open':
      return `${named(fault.contact)} open${fault.at === undefined ? '' : ` at ${quantity(fault.at, 'm')}`}`;
    case 'swapped':
      return `${fault.contacts.map(named).join(' and ')} swapped`;
    case 'shorted':
      return `${fault.contacts.map(named).join(' and ')} shorted`;
    case 'leaky':
      return `${quantity(fault.ohms, 'Ω')} between ${fault.contacts.map(named).join(' and ')}`;
    case 'shield to cold':
      return 'shield tied to pin 3';
  }
}

/** Every fault of a cable, in words. */
export const faultsOf = (at: Case, n: number): string =>
  (at.line.links[n].faults ?? []).map((fault) => faultWords(at, n, fault)).join(', ');

/** A cable that is known to be bad is not to be used, whatever it does today. */
export const cableFault: Rule = {
  code: 'cable-fault',
  judge: (at) =>
    faulty(at.line).map((n) =>
      finding({
        code: 'cable-fault',
        severity: 'watch',
        part: n,
        what: `Bad ${uncapital(linkKind(at.line.links[n].kind).label)}: ${nameOf(at.line, n)}`,
        why: `Known fault: ${faultsOf(at, n)}. Mark it and take it out of use.`,
        basis: 'as entered for the cable',
        look: 'Another cable.',
      }),
    ),
};
