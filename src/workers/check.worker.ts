import { lineDrawing, probe, withFloor, type LineResult } from '@/core/check';
import { checkRig, checkRigLine, groupFeeds, remembering } from '@/core/rigcheck';
import type { KitItem } from '@/core/kit';
import { floorOf, heardRig, type Floors } from '@/core/noise/heard';
import { emptyRig, rigPath, schoolsOf } from '@/core/rig';
import type { Answer, Question } from './messages';
import { onQuestion } from './asked';

/** Most of a rig stays as it is when a switch turns. */
const judge = remembering(lineDrawing);

let kit: readonly KitItem[] = [];
let floors: Floors = {};

let document = emptyRig('');
let sent = new Map<string, LineResult>();

function answer(question: Question): Answer {
  const { ticket } = question;
  try {
    switch (question.ask) {
      case 'rig': {
        ({ document, kit, floors } = question);
        const { lines, unsolved, groups } = heardRig(document, floors, judge);
        const changed = lines.filter((line) => sent.get(line.id) !== line);
        sent = new Map(lines.map((line) => [line.id, line]));
        return { ticket, ask: 'rig', changed, unsolved, groups };
      }
      case 'line':
        return { ticket, ask: 'line', result: full(question.id) };
      case 'feeds':
        return { ticket, ask: 'feeds', options: groupFeeds(document, question.device, question.group, judge) };
      case 'typed': {
        const { lines } = checkRig(question.document, judge);
        const asked = new Set(question.ids);
        return {
          ticket,
          ask: 'typed',
          verdicts: lines
            .filter(({ id }) => asked.has(id))
            .map(({ id, verdict, findings }) => ({
              id,
              verdict,
              what: verdict === 'Clear' ? '' : (findings[0]?.what ?? ''),
            })),
        };
      }
      case 'probe': {
        const path = rigPath(document, question.id);
        if (!path) return { ticket, ask: 'failed', message: 'This line was deleted.' };
        return { ticket, ask: 'probe', volts: probe(path.line, question.red, question.black) };
      }
    }
  } catch (error) {
    return { ticket, ask: 'failed', message: (error as Error).message };
  }
}

function full(id: string): LineResult | undefined {
  const result = checkRigLine(document, id, judge, kit);
  return result && withFloor(result, schoolsOf(document), floorOf(document, id, floors));
}

onQuestion<Question>((data) => self.postMessage(answer(data)));
