import { CircuitError } from '../../circuit';
import { feedOf, offeredFeeds } from '../../check/case';
import {
  CONNECTORS,
  inletKind,
  LOW_CUTS,
  lowCutOf,
  lineCircuit,
  asDrawn,
  isMending,
  mending,
  reader,
  sourceKind,
  type Line,
} from '../../gear';
import { applyEdits, type Edit, type FreeInlet } from '../../gear/edits';
import type { Dbfs, Decibels } from '../../units';
import { noiseBudget, type BudgetWishes, type NoiseBudget } from './budget';
import { USUAL } from '../../standards/feeds';

/** Something that would change level and noise, and by how much. */
export interface NoiseRemedy {
  label: string;
  note?: string;
  /** How the line changes; absent for what is no change of the rig. */
  edits?: Edit[];
  /** How much further the floor lies below the planned peak; negative where it is nearer. */
  gains: Decibels;
  /** The same A-weighted: hiss. */
  gainsA: Decibels;
  /** How much nearer the peak comes to the target; 0 where it is there already. */
  peak: Decibels;
  /** A low cut's gain in a room that rumbles as rooms usually do, where nobody stated how this one does. */
  usually?: Decibels;
  /** The floor that it leaves at the gain planned then, as far as it is known, RMS in dBFS. */
  dbfs: Dbfs;
  dbfsA: Dbfs;
}

/** An amplifier that is as quiet as they are made, with 150 Ω (common practice). */
const QUIET_PREAMPLIFIER = -130;
/** Most inlets that are tried, each of another kind or quality. */
const MOST_INLETS = 3;

/** What can be done about level and noise of a line, the most helpful first. */
export function noiseRemedies(
  line: Line,
  wishes: Omit<BudgetWishes, 'gain'>,
  free: readonly FreeInlet[] = [],
): NoiseRemedy[] {
  const before = noiseBudget(line, wishes);
  if ('reason' in before) return [];
  const remedies: NoiseRemedy[] = [];
  const offer = (label: string, edits: Edit[], note?: string, kept = true) => {
    const after = tried(applyEdits(line, edits), wishes);
    if (!after) return;
    remedies.push({
      label,
      note,
      ...(kept && { edits }),
      gains: after.peakToFloor - before.peakToFloor,
      gainsA: after.peakToFloorA - before.peakToFloorA,
      peak: Math.abs(before.plan.target - before.headroom.peak) - Math.abs(after.plan.target - after.headroom.peak),
      dbfs: after.reads['as-set'].known,
      dbfsA: after.reads['a-weighted'].known,
    });
  };
  const offerLowCut = ({ part, choice, label }: ReturnType<typeof lowCuts>[number]) => {
    const edits: Edit[] = [{ do: 'choose', part, choice, value: 'on' }];
    const after = tried(applyEdits(line, edits), wishes);
    if (!after) return;
    const usually = after.headroom.peak - after.dbfs - (before.headroom.peak - before.dbfs);
    const isStated = before.dbfs - before.reads['as-set'].known < WORTH;
    offer(label, edits, isStated ? LOW_CUT_NOTE : `${LOW_CUT_NOTE}. ${NOT_STATED}`);
    if (!isStated) remedies.at(-1)!.usually = usually;
  };
  const kind = sourceKind(line.source.kind);
  const { junctions } = lineCircuit(asDrawn(line));
  const offerBooster = () => {
    // A switch that feeds others too is not turned on from here: what it does to them stands in the Rig place.
    const others = feedOf(line) === USUAL ? [] : (line.switch?.reaches ?? []);
    offer(
      'Add an inline booster',
      [
        { do: 'insert', at: 0, part: mending('booster') },
        { do: 'choose', part: 'inlet', choice: 'feed', value: USUAL },
      ],
      `straight after the source; it needs the 48 V feed and keeps it from the microphone${others.length ? `. Its switch feeds ${others.join(', ')} too: see in the Rig place what that does to them` : ''}`,
      others.length === 0,
    );
  };

  if (
    ['moving coil', 'passive ribbon'].includes(kind.character) &&
    junctions[0].plug === 'xlr3' &&
    !line.links.some((link) => isMending(link, 'booster')) &&
    (feedOf(line) === USUAL || offeredFeeds(line).includes(USUAL))
  )
    offerBooster();
  if (kind.level === 'sensitivity') {
    const read = reader(kind, line.source);
    offer(
      'Half the distance',
      [
        {
          do: 'set figure',
          part: 'source',
          figure: 'loudness',
          to: { value: Math.min(read.value('loudness') + 6.02, 160), unit: 'dB SPL', basis: 'assumed' },
        },
      ],
      '6 dB in the open; less where the room is louder than the direct sound',
      false,
    );
  }
  if (before.plan.gainNeeded < before.plan.gainMin && CONNECTORS[junctions.at(-1)!.plug].size === CONNECTORS.xlr3.size)
    offer(
      'Add a pad of 20 dB',
      [
        {
          do: 'insert',
          at: line.links.length,
          part: mending('pad', { figures: { attenuation: { value: 20, unit: 'dB', basis: 'common practice' } } }),
        },
      ],
      'at the inlet: more headroom, more noise',
    );
  for (const inlet of differing(free, line))
    offer(`Move to ${inlet.inlet.name ?? 'a free inlet'}`, [{ do: 'move', ...inlet }]);
  offer(
    'A quieter preamp',
    [
      {
        do: 'set figure',
        part: 'inlet',
        figure: 'ein',
        to: { value: QUIET_PREAMPLIFIER, unit: 'dBu', basis: 'assumed' },
      },
      { do: 'choose', part: 'inlet', choice: 'einWeighting', value: 'unweighted' },
    ],
    `EIN ${QUIET_PREAMPLIFIER} dBu at 150 Ω, about the best made`.replace('-', '−'),
    false,
  );
  lowCuts(line).forEach(offerLowCut);
  return remedies.filter(isWorth).sort((a, b) => b.gainsA + b.peak - (a.gainsA + a.peak));
}

/** Less than this is not worth a change, in dB. */
const WORTH: Decibels = 0.5;
const isWorth = ({ gains, gainsA, peak, usually = 0 }: NoiseRemedy): boolean =>
  Math.max(gains, gainsA, peak, usually) >= WORTH;

const LOW_CUT_NOTE =
  '12 dB an octave below its frequency: not for what lives down there, such as bass, organ, drums and the sea';
const NOT_STATED = 'How much this room rumbles is not known until it is stated by octaves';

/** Low cuts that are there and off, the nearest to the source first. */
function lowCuts(line: Line): { part: 'source' | 'inlet'; choice: (typeof LOW_CUTS)[number]; label: string }[] {
  const has = (kind: { choices: object }, choice: string) => choice in kind.choices;
  const [source, inlet] = [sourceKind(line.source.kind), inletKind(line.inlet.kind)];
  return [
    ...(has(source, 'lowCut') && lowCutOf(source, line.source) === undefined
      ? [{ part: 'source' as const, choice: 'lowCut' as const, label: 'Low cut on the microphone' }]
      : []),
    ...LOW_CUTS.filter((choice) => has(inlet, choice) && lowCutOf(inlet, line.inlet, choice) === undefined).map(
      (choice) => ({
        part: 'inlet' as const,
        choice,
        label: choice === 'lowCut' ? 'Low cut of the inlet' : 'Low cut of the recorder',
      }),
    ),
  ];
}

/** The budget of a changed line; nothing where it would be worse off than silent. */
function tried(line: Line, wishes: BudgetWishes): NoiseBudget | undefined {
  try {
    const budget = noiseBudget(line, wishes);
    return 'reason' in budget ? undefined : budget;
  } catch (error) {
    if (error instanceof CircuitError) return undefined;
    throw error;
  }
}

/** Free inlets that differ in what matters here from the line's own and from each other. */
function differing(free: readonly FreeInlet[], line: Line): FreeInlet[] {
  const seen = new Set([quality(line.inlet)]);
  return free
    .filter(({ inlet }) => {
      // Never onto a feed that the line has not been checked with.
      if ((inlet.choices?.feed ?? 'off') !== feedOf(line)) return false;
      const own = quality(inlet);
      if (seen.has(own)) return false;
      seen.add(own);
      return true;
    })
    .slice(0, MOST_INLETS);
}

function quality(inlet: Line['inlet']): string {
  const read = reader(inletKind(inlet.kind), inlet);
  const figures = ['gainMin', 'gainMax', 'fullScale', 'ein', 'einLow', 'dynamicRange'];
  return [inlet.kind, ...figures.map((figure) => read.value(figure))].join(' ');
}
