import { BASES, sourceKind } from '../../gear';
import { characterOf, finding, quantity, readPart, restsOn, rounded, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import { openPath, shortedPath } from './signalPath';
import { cancels } from './monoCancelled';
import { meetings } from './outputsMeet';

/** What a load may cost, in dB, where its kind says nothing else: 3 and what is within the meaning of the figures. */
const MOST_LOSS = 3.5;

const mostLoss = (at: Case): number => sourceKind(at.line.source.kind).usualLoss ?? MOST_LOSS;

export const loaded: Rule = {
  code: 'loaded',
  judge(at) {
    // Another output on the same wires is a load of its own kind; its rule speaks of it.
    const dead = at.supplies.some(({ stake, state }) => stake.part === 'source' && state === 'dead');
    if (dead || meetings(at.line).length || !at.circuit.junctions.every(({ fits }) => fits) || cancels(at)) return [];
    const { signal } = at;
    const most = mostLoss(at);
    const lowest = readPart(at.line, 'source').value('lowest');
    const costly = -signal.atSource > most;
    const thin = signal.lowCut !== undefined && signal.lowCut > lowest * 1.05;
    if ((!costly && !thin) || shortedPath.judge(at).length || openPath.judge(at).length) return [];
    const numbers: Finding['numbers'] = [{ label: 'Load on the source at 1 kHz', value: signal.load, unit: 'Ω' }];
    if (costly)
      numbers.push({
        label: 'Loss at the source, 1 kHz',
        value: signal.atSource,
        unit: 'dB',
        limit: { label: 'Usual at most', value: -most, basis: 'common practice' },
      });
    const lowestNote = at.line.source.figures?.lowest;
    const basis = lowestNote?.basis ?? BASES[3];
    if (thin)
      numbers.push({
        label: 'Bass roll-off (−3 dB)',
        value: signal.lowCut!,
        unit: 'Hz',
        limit: { label: 'Lowest note needed', value: lowest, basis, where: lowestNote?.where },
      });
    return [
      finding({
        code: 'loaded',
        severity: 'watch',
        part: 'source',
        what: thin
          ? `Bass rolls off below ${rounded(signal.lowCut!, 'Hz')}`
          : `Source loaded: ${rounded(-signal.atSource, 'dB')} lost`,
        why: `Load on the source: ${quantity(signal.load, 'Ω')}.${thin ? ` The lowest note is ${quantity(lowest, 'Hz')}.` : ''}`,
        numbers,
        basis: `the calculated response; ${restsOn({ label: 'Lowest note needed', basis, where: lowestNote?.where })}`,
        look:
          characterOf(at.line) === 'pickup'
            ? 'An active direct box, or an instrument inlet of 1 MΩ and more.'
            : 'An inlet of higher input resistance.',
      }),
    ];
  },
};
