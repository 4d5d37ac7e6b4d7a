import type { Act } from '../hypotheses/hypothesis';
import type { Observation } from './observation';

/** What each act at the desk or at the source says when it was no help: that what it puts right was right already. */
const NO_HELP: Readonly<Record<string, Observation>> = {
  'other inlet': { instrument: 'exchange', at: 'inlet', seen: 'no change' },
  'other source': { instrument: 'exchange', at: 'source', seen: 'no change' },
  'feed on': { instrument: 'feed lamp', at: 'desk', seen: 'on' },
  'feed voltage': { instrument: 'feed lamp', at: 'desk', seen: 'on' },
  unmute: { instrument: 'channel', at: 'desk', seen: 'open' },
  'pad out': { instrument: 'channel', at: 'desk', seen: 'open' },
  'right inlet': { instrument: 'other meters', at: 'desk', seen: 'no' },
  'source on': { instrument: 'source switch', at: 'source', seen: 'on' },
  leave: { instrument: 'listening', at: 'desk', seen: 'crackle' },
};

/** What is seen by an act that did not help, as an observation; of two acts at once nothing. */
export function afterActing({ id }: Pick<Act, 'id'>): Observation | undefined {
  const link = /^swap link (\d+)$/.exec(id)?.[1];
  if (link) return { instrument: 'exchange', at: `link ${link}`, seen: 'no change' };
  const junction = /^push home (\d+)$/.exec(id)?.[1];
  if (junction) return { instrument: 'replug', at: `junction ${junction}`, seen: 'no change' };
  return NO_HELP[id];
}
