import { faulty, finding, nameOf, quantity, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import { mendCables } from '../remedies';
import { LOST } from '../solve';
import { misplaced } from './wrongContact';

/** A load as low as this is a short circuit and not an inlet. */
const SHORT = 20;

/** How the signal is lost, if it is: 'short' at some place, or 'open' between two junctions. */
function loss(at: Case): { how: 'short' | 'open'; ohms: number } | undefined {
  const { signal } = at;
  const fits = at.circuit.junctions.every(({ fits }) => fits);
  if (!fits || misplaced(at) !== undefined) return undefined;
  if (signal.load < SHORT && signal.atSource < LOST / 3) return { how: 'short', ohms: signal.load };
  if (signal.alongPath > LOST) return undefined;
  const across = Math.min(...at.circuit.junctions.map(({ plug }, n) => pairOhms(at, n, plug)));
  return across < SHORT ? { how: 'short', ohms: across } : { how: 'open', ohms: across };
}

/** Impedance between the signal contacts at a junction, from that of each to ground: low only if both sides meet. */
function pairOhms(at: Case, junction: number, plug: string): number {
  const [hot, cold] = plug === 'xlr3' ? ['2', '3'] : plug === 'trs635' ? ['T', 'R'] : ['T', 'S'];
  const both = [hot, cold].map((contact) => at.signal.impedance(junction, contact));
  return Math.max(...both) < SHORT ? both[0] + both[1] : Infinity;
}

function lost(at: Case, code: string, what: string, why: string, ohms?: number): Finding {
  const culprits = faulty(at.line).map((n) => nameOf(at.line, n));
  const level = at.signal.channels[at.signal.best].level;
  return finding({
    code,
    severity: 'silent',
    part: faulty(at.line)[0] ?? 'inlet',
    what,
    why:
      `${why} ${Number.isFinite(level) ? `What arrives is ${quantity(level, 'dB')} against the source's open output.` : 'Nothing at all arrives.'}` +
      (culprits.length ? ` Faulty on this line: ${culprits.join(', ')}.` : ''),
    numbers: [
      ...(Number.isFinite(level) ? [{ label: 'Signal at the inlet', value: level, unit: 'dB' as const }] : []),
      ...(ohms === undefined ? [] : [{ label: 'Load at 1 kHz', value: ohms, unit: 'Ω' as const }]),
    ],
    remedies: mendCables(at),
    basis: 'the computed small-signal response at 1 kHz',
  });
}

export const openPath: Rule = {
  code: 'open-path',
  judge: (at) =>
    loss(at)?.how === 'open'
      ? [
          lost(
            at,
            'open-path',
            'The signal does not get through',
            'Between source and inlet a conductor that the signal needs is missing.',
          ),
        ]
      : [],
};

export const shortedPath: Rule = {
  code: 'shorted-path',
  judge(at) {
    const found = loss(at);
    if (found?.how !== 'short') return [];
    return [
      lost(
        at,
        'shorted-path',
        'The signal is short-circuited',
        `The two sides of the signal meet through ${quantity(found.ohms, 'Ω')}.`,
        found.ohms,
      ),
    ];
  },
};
