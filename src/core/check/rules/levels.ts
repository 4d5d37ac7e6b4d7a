import { sourceKind } from '../../gear';
import { feedOf, finding, offeredFeeds, quantity, schoolOf, type Rule } from '../case';
import type { Remedy } from '../finding';
import { insertLink } from '../remedies';

/** Differences below this are within the meaning of the figures, in dB. */
const SLACK = 0.5;

export const gainShort: Rule = {
  code: 'gain-short',
  judge(at) {
    const { level } = at;
    if (!level || level.gainNeeded <= level.gainMax + SLACK) return [];
    const missing = level.gainNeeded - level.gainMax;
    const passive =
      ['moving coil', 'passive ribbon'].includes(sourceKind(at.line.source.kind).character) &&
      at.circuit.junctions[0].plug === 'xlr3';
    const boosted = at.line.links.some(({ kind }) => kind === 'inline-booster');
    const booster = insertLink(
      'Insert an inline booster',
      0,
      { kind: 'inline-booster' },
      feedOf(at.line) === 'P48' ? 'right behind the source' : 'right behind the source, feed on',
    );
    const remedies: Remedy[] =
      passive && !boosted && (feedOf(at.line) === 'P48' || offeredFeeds(at.line).includes('P48'))
        ? [{ ...booster, edits: [...booster.edits, { do: 'choose', part: 'inlet', choice: 'feed', value: 'P48' }] }]
        : [];
    return [
      finding({
        code: 'gain-short',
        severity: 'watch',
        part: 'inlet',
        what: `Gain will be short by ${quantity(missing, 'dB')}`,
        why: `The loudest sound expected arrives at ${quantity(level.inlet, 'dBu')}; peaks at ${quantity(level.target, 'dBFS')} need ${quantity(level.gainNeeded, 'dB')} and the inlet has ${quantity(level.gainMax, 'dB')}. Moving closer gains too: half the distance about 6 dB in the open, less in a room.`,
        numbers: [
          { label: 'Level at the inlet', value: level.inlet, unit: 'dBu' },
          {
            label: 'Gain needed',
            value: level.gainNeeded,
            unit: 'dB',
            limit: { label: 'Most gain', value: level.gainMax, basis: 'common practice' },
          },
          { label: 'Peaks reach', value: level.reaches, unit: 'dBFS' },
        ],
        remedies,
        ...schoolOf(at, 'peakTarget'),
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
          what: 'The source itself will distort',
          why: `The loudest sound expected is ${quantity(-level.sourceMargin, 'dB')} above the loudest it takes.`,
          numbers: [{ label: 'Margin at the source', value: level.sourceMargin, unit: 'dB' }],
          basis: 'figures of the source',
        }),
      );
    if (level.gainNeeded < level.gainMin - SLACK) {
      const over = level.gainMin - level.gainNeeded;
      const last = at.line.links.length;
      const attenuation = Math.min(Math.max(Math.ceil(over / 10) * 10, 10), 60);
      findings.push(
        finding({
          code: 'headroom-short',
          severity: 'watch',
          part: 'inlet',
          what:
            level.reaches > 0
              ? `The inlet clips at its least gain`
              : `Peaks come ${quantity(over, 'dB')} above the target at the least gain`,
          why: `The loudest sound expected arrives at ${quantity(level.inlet, 'dBu')} and reaches ${quantity(level.reaches, 'dBFS')} with ${quantity(level.gainMin, 'dB')} of gain; the target is ${quantity(level.target, 'dBFS')}.`,
          numbers: [
            {
              label: 'Peaks reach',
              value: level.reaches,
              unit: 'dBFS',
              limit: { label: 'Target', value: level.target, basis: 'common practice' },
            },
            { label: 'Level at the inlet', value: level.inlet, unit: 'dBu' },
          ],
          remedies:
            at.circuit.junctions[last].plug === 'xlr3'
              ? [
                  insertLink(`Insert a pad of ${attenuation} dB`, last, {
                    kind: 'pad',
                    figures: { attenuation: { value: attenuation, unit: 'dB', basis: 'common practice' } },
                  }),
                ]
              : [],
          ...schoolOf(at, 'peakTarget'),
        }),
      );
    }
    return findings;
  },
};
