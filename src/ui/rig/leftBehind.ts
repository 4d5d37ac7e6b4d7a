import type { RigDocument } from '@/core/rig';
import { ask, type Asked } from '@/ui/shell/ask';
import { RETRY } from '@/ui/shell/queries';
import { retryAfter } from '@/ui/shell/retry';
import type { SavedRig } from './useRig';

/** How far a rig was saved. */
export type Saved = Omit<SavedRig, 'id' | 'document'>;

/** A save that is under way. */
export interface Sending {
  document: RigDocument;
  answer: Promise<Asked<SavedRig>>;
}

/** A rig as its place was left with a change that is not saved. */
export interface Left {
  /** What it is a change of. */
  base: SavedRig;
  document: RigDocument;
  sending?: Sending;
  /** What was sent, and no answer came. */
  unanswered?: string;
}

/** What this tab has last heard of a rig: a browser's way back shows a place as it was opened, with what was there then. */
const known = new Map<string, SavedRig>();
const left = new Map<string, Left>();

export const know = (saved: SavedRig): void => void known.set(saved.id, saved);

/** The rig as it came with the page, or as this tab knows it since. */
export function latest(saved: SavedRig): SavedRig {
  const since = known.get(saved.id);
  return since && since.revision > saved.revision ? since : saved;
}

const warn = (event: BeforeUnloadEvent) => event.preventDefault();
const told = () => (left.size > 0 ? window.addEventListener : window.removeEventListener)('beforeunload', warn);

/** The place is left: what is not saved is, by the place of the same rig that comes next, or else from here. */
export function leaveBehind(it: Left): void {
  left.set(it.base.id, it);
  told();
  // A place that comes next takes over before that.
  setTimeout(() => void goOn(it), 0);
}

/** What another place of this rig has left unsaved; it is the caller's from now on. */
export function takeOver(id: string): Left | undefined {
  const it = left.get(id);
  left.delete(id);
  told();
  return it;
}

/** Sends on what nobody has taken over until it has arrived, or was refused: who opens the rig again is asked then. */
async function goOn({ base, document, sending, unanswered }: Left): Promise<void> {
  const { id } = base;
  const ours = () => left.get(id)?.document === document;
  const arrived = (saved: SavedRig) => {
    know(saved);
    takeOver(id);
  };
  const under = await sending?.answer;
  let on = under?.body ? { ...under.body, id, document: sending!.document } : base;
  for (let lost = unanswered; ours();) {
    const { body, status, error } = await saveRig(id, document, on.revision).answer;
    if (!ours()) return;
    const current = status === 409 ? (error?.current as SavedRig | undefined) : undefined;
    const theirs = current && JSON.stringify(current.document);
    if (body) return arrived({ ...body, id, document });
    if (current && theirs === JSON.stringify(document)) return arrived(current);
    if (current && theirs === lost) on = current;
    else if (status !== undefined && status < 500) return;
    else {
      if (status === undefined) lost = JSON.stringify(document);
      await new Promise<void>((done) => retryAfter(RETRY, done));
    }
  }
}

/** Sends a change that was made to a revision. */
export const saveRig = (id: string, document: RigDocument, basedOn: number): Sending => ({
  document,
  answer: ask<SavedRig>(`/api/rigs/${id}`, { method: 'PUT', json: { basedOn, document }, goesOn: true }),
});
