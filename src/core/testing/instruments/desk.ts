import { CONNECTORS, linkKind, type ContactFault } from '../../gear';
import type { Condition } from '../hypotheses/hypothesis';
import type { Outcome, Shown } from '../outcome';
import { surely } from '../outcome';
import { isSwitched, type Subject } from '../subject';
import { arrivesAs, listened } from './listening';
import { AT_REST, oneOfKeys, type Case, type Instrument, type Look } from './instrument';

/** A look at the desk: no tools, no walk if somebody stands there. */
interface DeskLook {
  name: string;
  label: string;
  about: string;
  ask: (subject: Subject) => string;
  how: string;
  /** Whether it says anything of this line. */
  applies: (subject: Subject) => boolean;
  outcomes: Record<string, Outcome>;
  /** The desk, where nothing is said. */
  at?: 'source' | 'desk';
  /** How often it is misread (assumed), where that is not as rare as with the others. */
  errs?: number;
  /** Which of its outcomes, as a key of `outcomes`; several with their shares, where it depends on the ear. */
  shows: (subject: Subject, asIt: Case | undefined) => string | Record<string, number>;
  seconds: number;
}

const LOOKS: readonly DeskLook[] = [
  {
    name: 'feed lamp',
    label: 'Feed switch and its lamp',
    about: 'The switch, menu or lamp of the feed at this inlet.',
    ask: () => 'Is the feed on at this inlet, at the right voltage?',
    how: 'Look; don’t switch.',
    applies: ({ feed }) => feed !== 'off',
    outcomes: {
      on: { key: 'on', text: 'On, as it should be' },
      off: { key: 'off', text: 'Off' },
      other: { key: 'other voltage', text: 'On, at another voltage' },
    },
    shows: (_, asIt) => (asIt?.act.id === 'feed on' ? 'off' : asIt?.act.id === 'feed voltage' ? 'other' : 'on'),
    seconds: 6,
  },
  {
    name: 'channel',
    label: 'Mute, fader, gain, pad',
    about: 'Everything between the inlet and the monitors that somebody may have left down.',
    ask: () => 'Is the channel open: not muted, gain and fader up, no pad?',
    how: 'Look; turn nothing up yet.',
    applies: () => true,
    outcomes: {
      open: { key: 'open', text: 'Open, gain up, no pad' },
      muted: { key: 'muted or down', text: 'Muted, or something is down' },
      pad: { key: 'pad in', text: 'A pad is in' },
    },
    shows: (_, asIt) => (asIt?.condition === 'muted' ? 'muted' : asIt?.condition === 'padded' ? 'pad' : 'open'),
    seconds: 8,
  },
  {
    name: 'other meters',
    label: 'Meters of the other channels',
    about: 'Somebody makes a sound at the source; somebody looks at every meter.',
    ask: () => 'Does another channel’s meter move when the source sounds?',
    how: 'One at the source, one at the desk; monitors low.',
    applies: () => true,
    outcomes: {
      none: { key: 'no', text: 'No' },
      other: { key: 'yes', text: 'Yes, another one' },
    },
    shows: (_, asIt) => (asIt?.condition === 'elsewhere' ? 'other' : 'none'),
    seconds: 15,
  },
  {
    name: 'source switch',
    label: 'Switch and battery of the source',
    about: 'Whatever the source has to be switched on or turned up by, and its battery.',
    ask: () => 'Is the source switched on, turned up, its battery good?',
    how: 'Look at the source; measure the battery if there’s a doubt.',
    at: 'source',
    applies: ({ line }) => isSwitched(line.source.kind),
    outcomes: {
      on: { key: 'on', text: 'On, and its battery good' },
      off: { key: 'off or empty', text: 'Off, turned down or empty' },
    },
    shows: (_, asIt) => (asIt?.act.id === 'source on' ? 'off' : 'on'),
    seconds: 15,
  },
  {
    name: 'hiss',
    label: 'Hiss with gain up',
    about: 'A live inlet hisses when its gain goes up, whatever is plugged in.',
    ask: () => 'Does hiss come up with the gain, on the meter or in headphones turned low?',
    how: 'Monitors down first; headphones low, off the ears until you turn.',
    applies: () => true,
    outcomes: {
      follows: { key: 'follows', text: 'Yes, hiss follows the gain' },
      silent: { key: 'silent', text: 'No, dead silence' },
    },
    shows: (_, asIt) => (asIt?.condition === 'dead inlet' || asIt?.condition === 'muted' ? 'silent' : 'follows'),
    seconds: 12,
  },
  {
    name: 'split headphones',
    label: 'Headphones at the split',
    about: 'Headphones, or a recorder, at the other way out of a splitter: what comes down the line before the desk.',
    ask: () => 'Is the source heard in headphones at the other way out of the split?',
    how: 'Volume down, headphones off the ears until you have turned it up slowly.',
    at: 'source',
    applies: (subject) => splitterOf(subject) >= 0,
    outcomes: {
      heard: { key: 'heard', text: 'Yes' },
      silent: { key: 'silent', text: 'No' },
    },
    shows: heardAtSplit,
    errs: 0.05,
    seconds: 40,
  },
  {
    name: 'mono sum',
    label: 'Mono sum with its neighbour',
    about: 'A channel beside it that hears the same source, both as loud, summed in mono; then one polarity switched.',
    ask: () => 'In mono with a neighbour that hears the same source: which is fuller?',
    how: 'Monitors low; both channels as loud. Switch the polarity of this one, and back.',
    // Where a line is not balanced nothing is turned over on its way.
    applies: ({ junctions }) => CONNECTORS[junctions.at(-1)!.plug].contacts.length > 2,
    outcomes: {
      normal: { key: 'fuller as it is', text: 'Polarity as it is' },
      switched: { key: 'fuller switched', text: 'Polarity switched' },
      same: { key: 'no difference', text: 'No difference' },
    },
    shows: summed,
    errs: 0.1,
    seconds: 30,
  },
];

const DOWN: ReadonlySet<Condition> = new Set(['muted', 'padded', 'elsewhere', 'dead inlet']);

/** The last link that sends the line two ways; below zero where there is none. */
const splitterOf = ({ line }: Subject): number =>
  line.links.findLastIndex(({ kind }) => linkKind(kind).nature === 'splitter');

/** What is wrong behind the split is not heard there, unless it takes the feed away or lies across both. */
function heardAtSplit(subject: Subject, asIt: Case | undefined): Record<string, number> {
  const split = splitterOf(subject);
  if (!asIt || (asIt.condition && DOWN.has(asIt.condition))) return { heard: 1 };
  const behind = ({ type, junction }: ContactFault) => junction > split && (type === 'open' || type === 'resistive');
  const { line, faults } = asIt.world;
  if (line === subject.line && faults.length > 0 && faults.every(behind))
    return { [arrivesAs(subject, asIt.world).powered ? 'heard' : 'silent']: 1 };
  if (asIt.condition === 'dead link' && typeof asIt.part === 'number' && asIt.part > split) return { heard: 1 };
  const silent = listened(subject, asIt).find(({ key }) => key === 'nothing')?.share ?? 0;
  return { silent, heard: 1 - silent };
}

/** How often two of them add as the ear expects, for they stand apart (assumed). */
const TOLD = 0.9;

function summed(subject: Subject, asIt: Case | undefined): Record<string, number> {
  const silent = asIt ? (listened(subject, asIt).find(({ key }) => key === 'nothing')?.share ?? 0) : 0;
  const turned = asIt !== undefined && arrivesAs(subject, asIt.world).reversed;
  const [likely, other] = turned ? ['switched', 'normal'] : ['normal', 'switched'];
  const [rest, doubt] = [1 - silent, (1 - TOLD) / 2];
  return { [likely]: rest * TOLD, [other]: rest * doubt, same: silent + rest * doubt };
}

const lookAt = ({
  name,
  label,
  about,
  ask,
  how,
  at = 'desk',
  applies,
  outcomes,
  shows,
  errs = 0.02,
  seconds,
}: DeskLook): Instrument => ({
  name,
  label,
  about,
  hand: 'bare',
  errs,
  catches: AT_REST,
  leavesOff: false,
  looks: (subject): Look[] => (applies(subject) ? [{ instrument: name, at, ask: ask(subject), how, where: at }] : []),
  shows(subject, _use, asIt): Shown {
    const found = shows(subject, asIt);
    if (typeof found === 'string') return surely(outcomes[found]);
    return Object.entries(found).map(([key, share]) => ({ ...outcomes[key], share }));
  },
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(outcomes)),
  seconds: () => seconds,
});

export const desk: readonly Instrument[] = LOOKS.map(lookAt);
