import { CONNECTORS, type Contact } from '../../gear';
import { finding, nameOf, rounded, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** The junction at which the signal stands on contacts that nobody behind it listens to. */
export function misplaced({ circuit, signal }: Case): number | undefined {
  if (signal.alongPath > LOST) return undefined;
  const last = circuit.junctions.length - 1;
  // Strong here and lost further on, although plug and socket are not of a kind.
  const at = circuit.junctions.findIndex(({ plug, socket, fits }, n) => {
    const here = signal.atJunction(n) - signal.atSource > LOST;
    const further = n < last ? signal.atJunction(n + 1) - signal.atSource : signal.alongPath;
    return fits && CONNECTORS[plug].size === '3.5 mm' && plug !== socket && here && further <= LOST;
  });
  if (at >= 0) return at;
  const { plug, socket } = circuit.junctions[last];
  return plug === 'trrs35' && socket === 'trrs35' && signal.atJunction(last) - signal.atSource > LOST
    ? last
    : undefined;
}

const NAMES: Partial<Record<Contact, string>> = {
  T: 'tip',
  R: 'ring',
  R1: 'first ring',
  R2: 'second ring',
  S: 'sleeve',
};

export const wrongContact: Rule = {
  code: 'wrong-contact',
  judge(at) {
    const junction = misplaced(at);
    if (junction === undefined) return [];
    const { plug, socket, unmade } = at.circuit.junctions[junction];
    const level = at.signal.alongPath;
    const orders = plug === 'trrs35' && socket === 'trrs35';
    return [
      finding({
        code: 'wrong-contact',
        severity: 'silent',
        part: junction < at.line.links.length ? junction : 'inlet',
        what: orders
          ? 'Headset plug and socket are of different orders'
          : `${CONNECTORS[plug].label} plug in a ${CONNECTORS[socket].label} socket`,
        why:
          (unmade.length
            ? `The microphone contact (${unmade.map((contact) => NAMES[contact] ?? contact).join(', ')}) touches nothing there`
            : `The signal is on contacts that ${nameOf(at.line, 'inlet')} doesn't listen to`) +
          (Number.isFinite(level) && level > -100 ? `: only ${rounded(level, 'dB')} arrives.` : ': silent.'),
        basis: 'calculation; how plugs and sockets of different length touch: typical',
        look: 'An adapter between headset plug and microphone socket, with the orders marked on it.',
      }),
    ];
  },
};
