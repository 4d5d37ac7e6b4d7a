import { finding, quantity, rounded, schoolOf, type Rule } from '../case';
import { ratio } from '../../units';

/** Differences below this are within the meaning of the figures, in dB. */
const SLACK = 0.5;
/** What a typical sensitivity and a guessed sound level leave open: less is a note. */
const GUESSED = 3;

export const gainShort: Rule = {
  code: 'gain-short',
  judge(at) {
    const { level } = at;
    if (!level || at.schools.peakTarget === 'float' || level.gainNeeded <= level.gainMax + SLACK) return [];
    const missing = level.gainNeeded - level.gainMax;
    return [
      finding({
        code: 'gain-short',
        severity: missing <= GUESSED ? 'note' : 'watch',
        part: 'inlet',
        what: `Not enough gain: ${rounded(missing, 'dB')} short`,
        why: `Needs ${quantity(level.gainNeeded, 'dB')}, this inlet has ${quantity(level.gainMax, 'dB')}. Half the distance gives about 6 dB.`,
        numbers: [
          { label: 'Level at the inlet', value: level.inlet, unit: 'dBu' },
          {
            label: 'Gain needed',
            value: level.gainNeeded,
            unit: 'dB',
            limit: { label: 'Maximum gain', value: level.gainMax, basis: 'common practice' },
          },
          { label: 'Peaks reach', value: level.reaches, unit: 'dBFS' },
        ],
        ...schoolOf(at, 'peakTarget'),
        look: 'Move the microphone closer, or record lower and raise it later: with a quiet inlet nothing is lost.',
      }),
    ];
  },
};

export const headroomShort: Rule = {
  code: 'headroom-short',
  judge(at) {
    const { level } = at;
    if (!level) return [];
    const findings = [];
    if (level.sourceMargin !== undefined && level.sourceMargin < 0)
      findings.push(
        finding({
          code: 'headroom-short',
          severity: 'watch',
          part: 'source',
          what: 'The microphone will distort',
          why: `Peaks are ${rounded(-level.sourceMargin, 'dB')} over its maximum SPL.`,
          numbers: [{ label: 'Headroom at the source', value: level.sourceMargin, unit: 'dB' }],
          basis: 'figures of the source',
          look: 'Move it away, or use a microphone for louder sound.',
        }),
      );
    const over = level.gainMin - level.gainNeeded;
    const clips = level.reaches > 0;
    if (over > SLACK && (at.schools.peakTarget !== 'float' || clips))
      findings.push(
        finding({
          code: 'headroom-short',
          severity: over > GUESSED ? 'watch' : 'note',
          part: 'inlet',
          what: clips ? `Inlet clips at minimum gain` : `Peaks ${rounded(over, 'dB')} over target at minimum gain`,
          why: `They arrive at ${quantity(level.inlet, 'dBu')} and reach ${quantity(level.reaches, 'dBFS')} with ${quantity(level.gainMin, 'dB')} of gain; the target is ${quantity(level.target, 'dBFS')}.`,
          numbers: [
            {
              label: 'Peaks reach',
              value: level.reaches,
              unit: 'dBFS',
              limit: { label: 'Target', value: level.target, basis: 'common practice' },
            },
            { label: 'Level at the inlet', value: level.inlet, unit: 'dBu' },
          ],
          ...schoolOf(at, 'peakTarget'),
          look: 'Turn the source down, or use a line inlet.',
        }),
      );
    return findings;
  },
};

/** Boosters, boxes, adapters and transformers that cannot put out what arrives at them. */
export const linkClips: Rule = {
  code: 'link-clips',
  judge(at) {
    const { level } = at;
    if (!level) return [];
    const lowest = at.line.source.figures?.lowest?.value;
    return at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'greatest output') return [];
      // A core takes less the lower the note; the lowest that the source plays counts.
      const low = stake.at === undefined ? undefined : Math.max(Math.min(lowest ?? stake.at, stake.at), 20);
      const most = low === undefined ? stake.volts : (stake.volts * low) / stake.at!;
      const peak = Math.SQRT2 * 0.7745966692 * ratio(level.source + at.signal.between(stake.between));
      const over = 20 * Math.log10(peak / most);
      if (over <= SLACK) return [];
      const name = stake.what.replace(/^the /, '');
      return [
        finding({
          code: 'link-clips',
          severity: 'watch',
          part: stake.part,
          what: `${name} clips: ${rounded(over, 'dB')} over`,
          why: `Peaks leave it at ${quantity(peak, 'V')}; its greatest is ${quantity(most, 'V')} (${stake.because}). A pad after it doesn't help.`,
          numbers: [
            {
              label: `Peak at ${stake.what}`,
              value: peak,
              unit: 'V',
              limit: { label: 'Greatest output, peak', value: most, basis: stake.basis, where: stake.where },
            },
          ],
          basis: `calculation; greatest output: ${stake.because}`,
          look: 'Take it out, or put the pad before it.',
        }),
      ];
    });
  },
};
