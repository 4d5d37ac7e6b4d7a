import type { Outcome, Shown } from '../outcome';
import { surely } from '../outcome';
import { isSwitched, type Subject } from '../subject';
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
  /** Which of its outcomes, as a key of `outcomes`. */
  shows: (subject: Subject, asIt: Case | undefined) => string;
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
];

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
  seconds,
}: DeskLook): Instrument => ({
  name,
  label,
  about,
  hand: 'bare',
  errs: 0.02,
  catches: AT_REST,
  leavesOff: false,
  looks: (subject): Look[] => (applies(subject) ? [{ instrument: name, at, ask: ask(subject), how, where: at }] : []),
  shows: (subject, _use, asIt): Shown => surely(outcomes[shows(subject, asIt)]),
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(outcomes)),
  seconds: () => seconds,
});

export const desk: readonly Instrument[] = LOOKS.map(lookAt);
