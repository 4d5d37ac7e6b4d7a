import { sourceKind, type Line } from '../../gear';

/** States of a line in which it is measured; each takes something away from the one before. */
export const RUNGS = {
  'as-used': 'Everything as used',
  'source-quiet': 'Source quiet',
  'feed-off': 'Feed off',
  'gain-down': 'Gain down',
  'output-down': 'Output of the preamplifier down',
  'inlet-shorted': 'Recording inlet shorted',
} as const;
export type Rung = keyof typeof RUNGS;

/** Lines that are measured in different ways. */
export type LadderKind = 'condenser' | 'moving coil' | 'direct box' | 'line';

/** One rung of a ladder. */
export interface LadderRung {
  rung: Rung;
  /** What to do before it is measured. */
  do: string;
  caution?: string;
  /** May be left out where it cannot be done. */
  optional?: true;
  /** What the step down to this rung has taken away. */
  takes: string;
}

/** What a feed that is switched does to ears, and what a live inlet does to a plug. */
const THUMP =
  'Switching a feed makes a loud thump: monitors and headphones down first. Nothing is plugged or unplugged while a feed is on.';

const asUsed = (what: string): LadderRung => ({
  rung: 'as-used',
  do: `Leave ${what} where it works, at the gain it works with, everybody quiet, gates and noise suppression off.`,
  takes: '',
});
const outputDown: LadderRung = {
  rung: 'output-down',
  do: 'Output or fader of the preamp to zero; leave the recorder as it is. Skip if the recorder is the preamp.',
  optional: true,
  takes: 'preamplifier',
};
const shorted: LadderRung = {
  rung: 'inlet-shorted',
  do: 'Monitors down, feed off, wait 60 s. Unplug the preamp and fit a shorting plug, or leave the inlet open.',
  caution: THUMP,
  optional: true,
  takes: 'output of the preamplifier',
};
const gainDown = (takes: string): LadderRung => ({
  rung: 'gain-down',
  do: 'Gain to minimum; note the number on the knob or screen.',
  takes,
});
const wrapped: LadderRung = {
  rung: 'source-quiet',
  do: 'Put the microphone into its case or under blankets, away from fans and people. Leave the gain.',
  optional: true,
  takes: 'room',
};

export const LADDERS: Record<LadderKind, readonly LadderRung[]> = {
  condenser: [
    asUsed('the microphone'),
    wrapped,
    {
      rung: 'feed-off',
      do: 'Monitors down, feed off, wait 60 s. Don’t touch the gain.',
      caution: THUMP,
      takes: 'microphone',
    },
    outputDown,
    shorted,
  ],
  'moving coil': [asUsed('the microphone'), wrapped, gainDown('preamplifier'), outputDown, shorted],
  'direct box': [
    asUsed('the instrument'),
    {
      rung: 'source-quiet',
      do: 'Turn the instrument’s volume down, or leave it plugged and switch it off. Leave the gain.',
      takes: 'instrument',
    },
    {
      rung: 'feed-off',
      do: 'Active direct box: monitors down, then feed or battery off.',
      caution: THUMP,
      optional: true,
      takes: 'direct box',
    },
    gainDown('preamplifier'),
    outputDown,
    shorted,
  ],
  line: [
    asUsed('the source'),
    {
      rung: 'source-quiet',
      do: 'Switch the source off; leave it plugged, and the gain as it is.',
      takes: 'source',
    },
    gainDown('preamplifier'),
    outputDown,
    shorted,
  ],
};

/** The ladder that fits a line. */
export function ladderKind(line: Line): LadderKind {
  if (line.links.some(({ kind }) => kind.endsWith('direct-box'))) return 'direct box';
  const { character } = sourceKind(line.source.kind);
  if (character === 'moving coil' || character === 'passive ribbon') return 'moving coil';
  return character === 'line output' || character === 'pickup' ? 'line' : 'condenser';
}
