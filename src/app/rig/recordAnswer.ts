import type { Edit } from '@/core/gear/edits';
import { partAt, type Fact, type Line } from '@/core/gear';
import type { RigDocument } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { answerOf, recorded } from './recorded';
import { recordAnswer as text } from './texts';

interface On {
  rigId: string;
  asked: Line;
  change: (to: (from: RigDocument) => RigDocument) => void;
}

/** Takes an answer in wherever the item is used; the kit and the other rigs are told by the server. @returns why the kit did not take it */
export async function recordAnswer(
  { rigId, asked, change }: On,
  edits: readonly Edit[],
  fact: Fact,
): Promise<string | undefined> {
  change((from) => edits.reduce((next, each) => recorded(next, asked.id, each, fact), from));
  let why: string | undefined;
  for (const each of edits) {
    const answer = answerOf(each, fact);
    const item = answer && partAt(asked, answer.part).item;
    if (!item) continue;
    const { failed } = await ask(`/api/kit/${item}/answers`, {
      method: 'POST',
      json: { answer: answer.answer, except: rigId },
    });
    if (failed) why = text.recordedInThisRig(failed);
  }
  return why;
}
