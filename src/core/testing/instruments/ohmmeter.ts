import { CONNECTORS, type Contact } from '../../gear';
import type { Ohms } from '../../units';
import { quantity } from '../../units/format';
import { continuity, type Between } from '../readings/continuity';
import { PLUG, untilOff } from '../costs';
import { onceEach } from '../onceEach';
import { surely, type Outcome } from '../outcome';
import { isWire, partName, type Subject } from '../subject';
import { AT_REST, numberOf, MOVED, ObservationError, worldOf, type Instrument, type Look } from './instrument';

/** Up to the first it is one piece of metal, cable and meter leads included; up to the second a bad joint, then a leak. */
const [JOINED, JOINT, LEAK]: Ohms[] = [50, 9000, 20e6];

/** How two contacts are joined, as a sign between them. */
const SIGNS = { joined: '-', joint: '~', leak: '…' } as const;
type Join = keyof typeof SIGNS;

const joinOf = (ohms: Ohms): Join | undefined =>
  ohms < JOINED ? 'joined' : ohms < JOINT ? 'joint' : ohms < LEAK ? 'leak' : undefined;

/** What is joined with what: `1-1, 2-3, 3-2`, pairs within one end as `2+3`. */
interface Joined {
  from: Contact;
  to: Contact;
  within: boolean;
  join: Join;
}

const nameOf = ({ from, to, within, join }: Joined): string => {
  const sign = SIGNS[join];
  return within ? `${from}+${to}${join === 'joined' ? '' : sign}` : `${from}${sign}${to}`;
};

/** What leads where: straight ways first, what is joined within one end only where no way over the other says so already. */
function joinsOf(read: readonly Between[], seen: (join: Join) => boolean): Joined[] {
  const across = read.flatMap(({ from, to, ends, ohms }): Joined[] => {
    const join = joinOf(ohms);
    return ends === 'across' && join && seen(join) ? [{ from, to, within: false, join }] : [];
  });
  const within = read.flatMap(({ from, to, ends, ohms }): Joined[] => {
    const join = joinOf(ohms);
    if (ends === 'across' || !join || !seen(join)) return [];
    // Through a conductor and its neighbour a short shows across as well.
    const told = across.some(
      (each) => (each.from === from && each.to === to) || (each.from === to && each.to === from),
    );
    return told ? [] : [{ from, to, within: true, join }];
  });
  const all = [...across, ...within];
  return all.filter((each, n) => all.findIndex((other) => nameOf(other) === nameOf(each)) === n);
}

const keyOf = (joins: readonly Joined[]): string => joins.map(nameOf).sort().join(', ') || 'nothing';

function inWords(joins: readonly Joined[], good: string): string {
  const key = keyOf(joins);
  if (key === good) return `As it should be: ${key}`;
  return key === 'nothing' ? 'Nothing arrives' : key;
}

/** An instrument that says which contact arrives at which. */
function continuityTester(
  given: Pick<Instrument, 'name' | 'label' | 'about' | 'errs' | 'catches'> & {
    ask: (part: string) => string;
    /** What is done once both ends are unplugged. */
    how: string;
    /** What it shows of how two contacts are joined, as what. */
    shows: (join: Join) => Join | undefined;
    reads: number;
  },
): Instrument {
  const { ask, how, shows, reads, ...about } = given;
  const outcome = (subject: Subject, link: number, world = subject.sound): Joined[] =>
    joinsOf(continuity(world, link), (join) => shows(join) !== undefined).map((each) => ({
      ...each,
      join: shows(each.join)!,
    }));
  const goodOf = onceEach((subject, link: number) => keyOf(outcome(subject, link)));
  const told = (subject: Subject, link: number, joins: readonly Joined[]): Outcome => ({
    key: keyOf(joins),
    text: inWords(joins, goodOf(subject, link)),
  });
  return {
    ...about,
    hand: 'tool',
    leavesOff: true,
    misses: (look, { junction, side }) =>
      !(junction === numberOf(look) ? side === 'socket' : junction === numberOf(look) + 1 && side === 'plug'),
    looks: (subject) =>
      subject.line.links.flatMap((_, link): Look[] =>
        isWire(subject, link)
          ? [
              {
                instrument: about.name,
                at: `link ${link}`,
                ask: ask(partName(subject, link)),
                how: `Mute${subject.fedBy === 'nothing' ? '' : `, ${subject.fedBy === 'inlet' ? 'feed' : 'supply'} off, wait`}, ${how}`,
                unplugs: true,
                where: link === 0 && subject.links > 1 ? 'source' : 'both',
              },
            ]
          : [],
      ),
    shows: (subject, look, asIt) =>
      surely(told(subject, numberOf(look), outcome(subject, numberOf(look), worldOf(subject, asIt)))),
    read(subject, look, seen) {
      const near = CONNECTORS[subject.junctions[numberOf(look)].socket].contacts;
      const far = CONNECTORS[subject.junctions[numberOf(look) + 1].plug].contacts;
      return typeof seen === 'object' && seen !== null && !Array.isArray(seen)
        ? fromNumbers(seen as Record<string, unknown>, near, far, shows)
        : fromText(seen, near, far);
    },
    seconds: (subject, _use, standing) => untilOff(subject, standing) + 2 * PLUG + reads,
  };
}

const PAIR = /^(\w+?)([-~…+])(\w+?)([~…]?)$/;

/** `1-1, 2-3, 3-2` put in order. @throws ObservationError */
function fromText(seen: unknown, near: readonly Contact[], far: readonly Contact[]): string {
  const wrong = () =>
    new ObservationError(
      `must say what arrives where, such as "${near.map((contact, n) => `${contact}-${far[n] ?? far[0]}`).join(', ')}": "-" joined, "~" through a bad joint, "…" a leak, "2+3" joined within one end, "nothing" where nothing arrives`,
    );
  if (typeof seen !== 'string') throw wrong();
  if (seen.trim() === 'nothing') return 'nothing';
  const joins = seen.split(',').map((each): Joined => {
    const found = PAIR.exec(each.trim());
    if (!found) throw wrong();
    const [, from, sign, to, of] = found as unknown as [string, Contact, string, Contact, string];
    const within = sign === '+';
    const known = within ? [...near, ...far] : undefined;
    if (!(known ?? near).includes(from) || !(known ?? far).includes(to)) throw wrong();
    const mark = within ? of : sign;
    return { from, to, within, join: mark === '~' ? 'joint' : mark === '…' ? 'leak' : 'joined' };
  });
  return keyOf(joins);
}

/** Ohms by pair, `{"1-1": 0.4, "2-2": null}`: null is open, what is left out is open too. @throws ObservationError */
function fromNumbers(
  seen: Record<string, unknown>,
  near: readonly Contact[],
  far: readonly Contact[],
  shows: (join: Join) => Join | undefined,
): string {
  const joins = Object.entries(seen).flatMap(([pair, ohms]): Joined[] => {
    const [from, sign, to] = pair.split(/([-+])/) as [Contact, string, Contact];
    const within = sign === '+';
    const known = within ? [near, near] : [near, far];
    if (!known[0].includes(from) || !(known[1].includes(to) || (within && far.includes(to))))
      throw new ObservationError(`names no two contacts; use such as "${near[0]}-${far[0]}"`, `seen.${pair}`);
    if (ohms !== null && (typeof ohms !== 'number' || !(ohms >= 0)))
      throw new ObservationError('must be a number of ohms, 0 or more; null for open', `seen.${pair}`);
    const join = ohms === null ? undefined : joinOf(ohms as number);
    const shown = join && shows(join);
    return shown ? [{ from, to, within, join: shown }] : [];
  });
  return keyOf(joins);
}

export const ohmmeter: Instrument = continuityTester({
  name: 'ohmmeter',
  label: 'Ohmmeter',
  about: `Resistance between contacts of a cable that is free at both ends, feed off. Never through a microphone, a ribbon or a direct box. Up to ${quantity(JOINED, 'Ω')} is one piece of metal.`,
  errs: 0.02,
  catches: AT_REST,
  ask: (part) => `What arrives where in ${part}, by ohmmeter?`,
  how: 'unplug both ends; each contact to each.',
  shows: (join) => join,
  reads: 45,
});

/** A box lights its lamps through a bad joint as well, and sees no leak. */
export const cableBox: Instrument = continuityTester({
  name: 'cable box',
  label: 'Cable box',
  about:
    'Both ends in the box: which contact arrives at which, all at once, while the cable is moved along its length.',
  errs: 0.02,
  catches: MOVED,
  ask: (part) => `What does the cable box show for ${part} while you move it?`,
  how: 'both ends into the box; bend it at both plugs and along its length.',
  shows: (join) => (join === 'leak' ? undefined : 'joined'),
  reads: 20,
});
