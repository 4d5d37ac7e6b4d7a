import { partAt, type Fact, type Part, type PartRef } from '@/core/gear';
import { answered, withAnswer, type Answer } from '@/core/kit';
import { applyToRig, rigPath, type RigDocument } from '@/core/rig';
import type { Edit } from '@/core/gear/edits';

/** A rig with an edit of a line made in it; one that states a fact of an item, wherever the rig uses that item. */
export function recorded(document: RigDocument, id: string, edit: Edit, fact: Fact): RigDocument {
  const path = rigPath(document, id);
  const answer = answerOf(edit, fact);
  if (!path || !answer) return applyToRig(document, id, [edit]);
  const part: Part = partAt(path.line, answer.part);
  return part.item
    ? answered(document, part.item, answer.answer).document
    : applyToRig(document, id, [{ do: 'replace', part: answer.part, with: withAnswer(part, answer.answer) }]);
}

/** An edit as an answer about a part; undefined for one that states no fact. */
export function answerOf(edit: Edit, fact: Fact): { part: PartRef; answer: Answer } | undefined {
  if (edit.do === 'choose') return { part: edit.part, answer: { fact, choice: edit.choice, value: edit.value } };
  if (edit.do === 'set figure' && edit.to)
    return {
      part: edit.part,
      answer: {
        fact,
        figure: edit.figure,
        value: { ...edit.to, where: [fact.who, fact.where].filter(Boolean).join(', ') },
      },
    };
  return undefined;
}
