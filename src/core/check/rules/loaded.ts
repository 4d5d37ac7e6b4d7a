import { finding, quantity, readPart, restsOn, type Rule } from '../case';
import type { Finding, Remedy } from '../finding';
import { insertLink, replaceLink } from '../remedies';
import type { Case } from '../case';
import { openPath, shortedPath } from './signalPath';
import { meetings } from './throughAsInput';

/** What a load may cost, in dB. */
const MOST_LOSS = 3;

export const loaded: Rule = {
  code: 'loaded',
  judge(at) {
    const { signal } = at;
    // Another output on the link-through socket is a load of its own kind; its rule speaks of it.
    if (meetings(at.line).length) return [];
    const dead = at.supplies.some(({ stake, state }) => stake.part === 'source' && state === 'dead');
    if (
      dead ||
      !at.circuit.junctions.every(({ fits }) => fits) ||
      shortedPath.judge(at).length ||
      openPath.judge(at).length
    )
      return [];
    const lowest = readPart(at.line, 'source').value('lowest');
    const costly = -signal.atSource > MOST_LOSS;
    const thin = signal.lowCut !== undefined && signal.lowCut > lowest;
    if (!costly && !thin) return [];
    const numbers: Finding['numbers'] = [{ label: 'Load on the source at 1 kHz', value: signal.load, unit: 'Ω' }];
    numbers.push({
      label: 'Loss at the source, 1 kHz',
      value: signal.atSource,
      unit: 'dB',
      limit: { label: 'Most loss', value: -MOST_LOSS, basis: 'common practice' },
    });
    if (signal.lowCut !== undefined) {
      const { basis, where } = lowestFigure(at);
      numbers.push({
        label: 'Low cut (−3 dB)',
        value: signal.lowCut,
        unit: 'Hz',
        limit: { label: 'Lowest note needed', value: lowest, basis, where },
      });
    }
    return [
      finding({
        code: 'loaded',
        severity: 'watch',
        part: 'source',
        what: thin
          ? `Low tones are lost below ${quantity(signal.lowCut!, 'Hz')}`
          : `The load takes ${quantity(-signal.atSource, 'dB')} of the level`,
        why:
          `The source sees ${quantity(signal.load, 'Ω')} at 1 kHz. ` +
          (thin
            ? `Everything below ${quantity(signal.lowCut!, 'Hz')} falls away, and the source needs ${quantity(lowest, 'Hz')}. `
            : '') +
          (costly ? `At 1 kHz ${quantity(-signal.atSource, 'dB')} are lost.` : ''),
        numbers,
        remedies: lighter(at),
        basis: `the computed response; ${restsOn({ label: 'Lowest note needed', ...lowestFigure(at) })}`,
      }),
    ];
  },
};

const lowestFigure = (at: Case) => {
  const given = at.line.source.figures?.lowest;
  return given ? { basis: given.basis, where: given.where } : { basis: 'assumed' as const, where: undefined };
};

/** An active direct box in place of whatever loads the source, with the feed it needs. */
function lighter(at: Case): Remedy[] {
  const feed = { do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' } as const;
  const box = { kind: 'active-direct-box' };
  const passive = at.line.links.findIndex(
    ({ kind, choices }) =>
      kind === 'passive-direct-box' || (kind === 'plain-adapter' && choices?.wiring === 'ts-to-xlr'),
  );
  if (passive >= 0) {
    const swap = replaceLink('Use an active direct box', passive, box, 'feed on');
    return [
      { ...swap, edits: [...swap.edits, feed] },
      replaceLink(
        'Use an active direct box on its battery',
        passive,
        { ...box, choices: { battery: 'on' } },
        'feed stays as it is',
      ),
    ];
  }
  const entry = at.circuit.junctions.findIndex(({ plug, socket }) => plug === 'ts635' && socket === 'xlr3');
  return entry >= 0 ? [insertLink('Insert an active direct box', entry, box)] : [];
}
