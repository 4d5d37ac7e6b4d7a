import { theStore } from './database';

/** How often the database is looked at while somebody follows; another process may have written to it. In milliseconds. */
const LOOK = 250;

/** By rig, the version that its sheet is at. */
export type Versions = Readonly<Record<string, number>>;

interface Follower {
  onChange: (changed: Versions) => void;
  /** The database could not be read; this follower is let go. */
  onLost: () => void;
}

/** One look for everybody who follows, however many they are. */
interface Watch {
  followers: Set<Follower>;
  seen: Record<string, number>;
  timer?: ReturnType<typeof setInterval>;
}
const shared = globalThis as { inletCheckWatch?: Watch };
const watch = (): Watch => (shared.inletCheckWatch ??= { followers: new Set(), seen: {} });

const versionsNow = (): Record<string, number> =>
  Object.fromEntries(
    (theStore().prepare('SELECT rig_id, version FROM switching').all() as { rig_id: string; version: number }[]).map(
      ({ rig_id: rig, version }) => [rig, version],
    ),
  );

function look(): void {
  const { followers, seen } = watch();
  try {
    const now = versionsNow();
    const changed = Object.fromEntries(Object.entries(now).filter(([rig, version]) => seen[rig] !== version));
    watch().seen = now;
    if (Object.keys(changed).length > 0) for (const { onChange } of followers) onChange(changed);
  } catch (problem) {
    console.error('The sheets could not be looked at.', problem);
    for (const follower of [...followers]) {
      followers.delete(follower);
      follower.onLost();
    }
    rest();
  }
}

function rest(): void {
  const now = watch();
  if (now.followers.size > 0) return;
  clearInterval(now.timer);
  now.timer = undefined;
}

/** Follows the sheets of all rigs. @returns where they are now, and how to stop */
export function followSheets(follower: Follower): { versions: Versions; stop: () => void } {
  const now = watch();
  if (now.followers.size === 0) now.seen = versionsNow();
  now.followers.add(follower);
  now.timer ??= setInterval(look, LOOK);
  return {
    versions: { ...now.seen },
    stop: () => {
      now.followers.delete(follower);
      rest();
    },
  };
}
