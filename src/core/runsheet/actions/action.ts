import type { FeedName } from '../../standards/feeds';
import type { Seconds } from '../../units';

/** One thing that somebody does. What each of them means stands in a file of its own beside this one. */
export type Action =
  | { do: 'plug' | 'unplug'; line: string; end: 'stage' | 'desk' }
  | { do: 'hand'; line: string; ready: boolean }
  | { do: 'feed'; group: string; to: FeedName }
  | { do: 'mute' | 'open'; lines: readonly string[] }
  | { do: 'supply'; line: string; on: boolean }
  | { do: 'monitors'; group: string; to: 'down' | 'open' }
  | { do: 'mains'; device: string; on: boolean }
  | { do: 'wait'; seconds: Seconds };

export type ActionName = Action['do'];
export type ActionOf<N extends ActionName> = Extract<Action, { do: N }>;
