import type { RigDocument, SavedRig } from '@/core/rig';
import { ask, type Asked } from '@/ui/shell/ask';
import { RETRY } from '@/ui/shell/queries';
import { retryAfter } from '@/ui/shell/retry';
import { askBeforeClosing } from '@/ui/shell/useLeaveWarning';

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

const told = () => askBeforeClosing('rigs left behind', left.size > 0);

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
  const ours = () => left.get(base.id)?.document === document;
  let on = (sending && (await outcome(sending)).saved) ?? base;
  for (let lost = unanswered; ours();) {
    if (on.document === document) {
      know(on);
      takeOver(base.id);
      return;
    }
    const { saved, status } = await outcome(saveRig(base.id, document, on.revision), lost);
    if (saved) on = saved;
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

interface Outcome {
  /** As it is on the server now, by what was sent from here. */
  saved?: SavedRig;
  /** As somebody else has saved it. */
  stale?: SavedRig;
  /** Why it was not saved. */
  failed?: string;
  status?: number;
}

/**
 * What came of a save. Where it was refused for what arrived from here before, and whose answer got lost, nobody else has
 * changed anything.
 * @param unanswered what was sent before, and no answer came
 */
export async function outcome({ document, answer }: Sending, unanswered?: string): Promise<Outcome> {
  const { body, failed, status, error } = await answer;
  if (body) return { saved: { ...body, document } };
  if (status !== 409) return { failed, status };
  const current = error!.current as SavedRig;
  const theirs = JSON.stringify(current.document);
  if (theirs === JSON.stringify(document)) return { saved: { ...current, document } };
  return theirs === unanswered ? { saved: current } : { stale: current, status };
}
