import { huntView, type Account, type Hunt, type Suspect, type Way } from '../../src/core/noise/hunt';
import { between, pick, seeded, type Random } from '../recordings/sounds';

/** Worlds in which something buzzes, of every sort; seeded, so that they repeat. */
export interface World {
  sort: Sort;
  suspects: Suspect[];
  way: Way;
  /** Sets of suspects that make it, and their levels in dB. */
  makes: { units: string[]; level: number; /** Part of the time that it is there. */ duty: number }[];
  /** What stays, and how much readings scatter, in dB. */
  stays: number;
  scatter: number;
}

export const SORTS = [
  'one',
  'two',
  'three',
  'four',
  'loop of two',
  'loop of three',
  'loop and one',
  'inlet device',
  'cable run',
  'comes and goes',
  'nobody listed',
] as const;
export type Sort = (typeof SORTS)[number];

export function worldOf(n: number): World {
  const random = seeded(`world ${n}`);
  const sort = SORTS[n % SORTS.length];
  const count = Math.floor(between(random, 6, 13));
  const suspects = Array.from({ length: count }, (_, k): Suspect => ({
    id: `u${k}`,
    name: `unit ${k}`,
    kind: sort === 'cable run' && k > count - 3 ? 'cable run' : 'audio device',
    ...(k === 0 && { fixed: true as const }),
  }));
  const free = shuffled(
    random,
    suspects.slice(1).map(({ id }) => id),
  );
  const of = (...units: string[]) => ({ units, level: between(random, -82, -52), duty: 1 });
  const makes: Record<Sort, World['makes']> = {
    one: [of(free[0])],
    two: [of(free[0]), of(free[1])],
    three: [of(free[0]), of(free[1]), of(free[2])],
    four: [of(free[0]), of(free[1]), of(free[2]), of(free[3])],
    'loop of two': [of(free[0], free[1])],
    'loop of three': [of(free[0], free[1], free[2])],
    'loop and one': [of(free[0], free[1]), of(free[2])],
    'inlet device': [of('u0')],
    'cable run': [of(suspects.at(-1)!.id)],
    'comes and goes': [{ ...of(free[0]), duty: between(random, 0.35, 0.75) }],
    'nobody listed': [{ ...of(), duty: between(random, 0.3, 0.7) }],
  };
  return {
    sort,
    suspects,
    way: pick(random, ['build-up', 'take-away'] as const),
    makes: makes[sort],
    stays: between(random, -100, -90),
    scatter: random() < 0.2 ? 0 : between(random, 0, 2),
  };
}

function shuffled<T>(random: Random, list: T[]): T[] {
  const out = [...list];
  for (let n = out.length - 1; n > 0; n--) {
    const other = Math.floor(random() * (n + 1));
    [out[n], out[other]] = [out[other], out[n]];
  }
  return out;
}

/** Follows the proposals of a hunt to their end. @returns the hunt and what it says */
function hunted(world: World, seed: string, most = 40): { hunt: Hunt; accounts: Account[]; open: string[] } {
  const random = seeded(seed);
  const gauss = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  let hunt: Hunt = { way: world.way, line: 'x', suspects: world.suspects, steps: [] };
  for (let n = 0; ; n++) {
    const { next, accounts, open } = huntView(hunt);
    if (!next || n === most) return { hunt, accounts, open };
    const power = world.makes.reduce(
      (sum, { units, level, duty }) =>
        sum + (units.every((id) => next.on.includes(id)) && random() < duty ? 10 ** (level / 10) : 0),
      10 ** (world.stays / 10),
    );
    const buzz = power * 10 ** ((world.scatter * gauss()) / 10);
    const quiet = 1e-12;
    hunt = {
      ...hunt,
      steps: [...hunt.steps, { on: next.on, components: { hum: quiet, buzz, tones: quiet, hiss: quiet }, at: '' }],
    };
  }
}

/** One accusation: how sure, and whether it is so. */
export interface Accusation {
  sort: Sort;
  certainty: number;
  right: boolean;
}

/** Whether an account names a set that makes it; nobody, where nobody that may be off does. */
function isRight({ makes }: World, { culprits, cause }: Account): boolean {
  const free = makes.map(({ units }) => units.filter((id) => id !== 'u0'));
  if (culprits.length === 0) return cause === 'stays' ? true : free.every((units) => units.length === 0);
  return free.some((units) => units.length === culprits.length && units.every((id) => culprits.includes(id)));
}

/** Every accusation of somebody that a world ends with. */
export function accusationsOf(n: number): { accusations: Accusation[]; steps: number; missed: number } {
  const world = worldOf(n);
  const { hunt, accounts } = hunted(world, `hunt ${n}`);
  const named = accounts.filter(({ culprits, component }) => component === 'buzz' && culprits.length > 0);
  return {
    accusations: named.map((account) => ({
      sort: world.sort,
      certainty: account.certainty,
      right: isRight(world, account),
    })),
    steps: hunt.steps.length,
    missed: world.makes.filter(
      ({ units }) =>
        units.some((id) => id !== 'u0') &&
        !named.some((account) => isRight({ ...world, makes: [{ units, level: 0, duty: 1 }] }, account)),
    ).length,
  };
}

/** Right ones among accusations of about one certainty. */
export interface Bin {
  from: number;
  to: number;
  count: number;
  said: number;
  right: number;
}

const BINS: readonly [number, number][] = [
  // Few end so unsure: taken together, or their part says nothing.
  [0.5, 0.9],
  [0.9, 0.95],
  [0.95, 1.001],
];

export const binned = (list: readonly Accusation[]): Bin[] =>
  BINS.map(([from, to]) => {
    const own = list.filter(({ certainty }) => certainty >= from && certainty < to);
    return {
      from,
      to: Math.min(1, to),
      count: own.length,
      said: own.reduce((sum, { certainty }) => sum + certainty, 0) / (own.length || 1),
      right: own.filter(({ right }) => right).length / (own.length || 1),
    };
  });
