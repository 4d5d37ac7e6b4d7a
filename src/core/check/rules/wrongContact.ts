import { CONNECTORS } from '../../gear';
import { finding, nameOf, quantity, type Case, type Rule } from '../case';
import type { Remedy } from '../finding';
import { replaceLink, insertLink } from '../remedies';
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

export const wrongContact: Rule = {
  code: 'wrong-contact',
  judge(at) {
    const junction = misplaced(at);
    if (junction === undefined) return [];
    const { plug, socket, unmade } = at.circuit.junctions[junction];
    const level = at.signal.alongPath;
    return [
      finding({
        code: 'wrong-contact',
        severity: 'silent',
        part: junction < at.line.links.length ? junction : 'inlet',
        what: `A ${CONNECTORS[plug].label} plug sits in a ${CONNECTORS[socket].label} socket`,
        why:
          (unmade.length
            ? `The signal is on the plug's contact ${unmade.join(' and ')}, which touches nothing in this socket`
            : `The signal is there, on contacts that ${nameOf(at.line, 'inlet')} does not listen to`) +
          (Number.isFinite(level) ? `: ${quantity(level, 'dB')} arrive of it.` : ': nothing of it arrives.'),
        numbers: Number.isFinite(level) ? [{ label: 'Signal along the path', value: level, unit: 'dB' }] : [],
        remedies: adapter(plug, socket, junction, at),
        basis: 'computation; how plugs and sockets of different length touch is common practice',
      }),
    ];
  },
};

function adapter(plug: string, socket: string, at: number, { line }: Case): Remedy[] {
  const wiring = plug === 'trrs35' ? 'trrs-to-trs' : socket === 'trrs35' ? 'trs-to-trrs' : undefined;
  if (!wiring) return [];
  const part = { kind: 'plain-adapter', choices: { wiring } };
  const label = plug === 'trrs35' ? 'Insert a phone-plug adapter' : 'Insert an adapter to the phone plug';
  return line.links[at]?.kind === 'plain-adapter' ? [replaceLink(label, at, part)] : [insertLink(label, at, part)];
}
