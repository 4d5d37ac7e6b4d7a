import { CONNECTORS } from '../../gear';
import { faulty, finding, quantity, rounded, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import { LOST } from '../solve';
import { cancels } from './monoCancelled';
import { misplaced } from './wrongContact';

/** A load as low as this is a short circuit and not an inlet. */
const SHORT = 20;
/** What is further down is nothing. */
const NOTHING = -100;

/** How the signal is lost, if it is: 'short' at some place, or 'open' between two junctions. */
function loss(at: Case): { how: 'short' | 'open'; ohms: number } | undefined {
  const { signal } = at;
  const fits = at.circuit.junctions.every(({ fits }) => fits);
  if (!fits || misplaced(at) !== undefined || cancels(at)) return undefined;
  if (signal.load < SHORT && signal.atSource < LOST / 3) return { how: 'short', ohms: signal.load };
  if (signal.alongPath > LOST) return undefined;
  const across = Math.min(...at.circuit.junctions.map((_, n) => pairOhms(at, n)));
  return across < SHORT ? { how: 'short', ohms: across } : { how: 'open', ohms: across };
}

/** Impedance between the signal contacts at a junction, from that of each to ground: low only if both sides meet. */
function pairOhms(at: Case, junction: number): number {
  const both = CONNECTORS[at.circuit.junctions[junction].plug].pairs[0].map((contact) =>
    at.signal.impedance(junction, contact),
  );
  return Math.max(...both) < SHORT ? both[0] + both[1] : Infinity;
}

function lost(at: Case, code: string, what: string, why: string, ohms?: number): Finding {
  const level = at.signal.channels[at.signal.best].level;
  const arrives = Number.isFinite(level) && level > NOTHING;
  return finding({
    code,
    severity: 'silent',
    part: faulty(at.line)[0] ?? 'inlet',
    what,
    why: `${why} ${arrives ? `Only ${rounded(level, 'dB')} arrives.` : 'Nothing arrives.'}`,
    numbers: [
      ...(arrives ? [{ label: 'Signal at the inlet', value: level, unit: 'dB' as const }] : []),
      ...(ohms === undefined ? [] : [{ label: 'Load at 1 kHz', value: ohms, unit: 'Ω' as const }]),
    ],
    basis: 'the calculated response at 1 kHz',
    look: 'Swap one cable at a time, the nearest to the source first.',
  });
}

export const openPath: Rule = {
  code: 'open-path',
  judge: (at) =>
    loss(at)?.how === 'open'
      ? [lost(at, 'open-path', 'No way from source to inlet', 'A conductor that the signal needs is open.')]
      : [],
};

export const shortedPath: Rule = {
  code: 'shorted-path',
  judge(at) {
    const found = loss(at);
    if (found?.how !== 'short') return [];
    return [lost(at, 'shorted-path', 'Signal shorted', `${quantity(found.ohms, 'Ω')} between the legs.`, found.ohms)];
  },
};
