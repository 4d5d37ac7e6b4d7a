import { checkRig, checkRigLine, groupFeeds, lineSummary, probe, type LineResult, type Schools } from '@/core/check';
import type { Line } from '@/core/gear';
import { emptyRig, rigPath } from '@/core/rig';
import type { Answer, Question } from './messages';

/** Lines solved before, by everything that their result depends on; most of a rig stays as it is when a switch turns. */
const solved = new Map<string, LineResult>();
const MOST = 6000;

function judge(line: Line, schools: Schools): LineResult {
  const key = JSON.stringify([line, schools]);
  const known = solved.get(key);
  if (known) return known;
  const result = lineSummary(line, schools);
  if (solved.size >= MOST) solved.clear();
  solved.set(key, result);
  return result;
}

let document = emptyRig('');
let sent = new Map<string, LineResult>();

function answer(question: Question): Answer {
  const { ticket } = question;
  try {
    switch (question.ask) {
      case 'rig': {
        document = question.document;
        const { lines, unsolved, groups } = checkRig(document, judge);
        const changed = lines.filter((line) => sent.get(line.id) !== line);
        sent = new Map(lines.map((line) => [line.id, line]));
        return { ticket, ask: 'rig', changed, unsolved, groups };
      }
      case 'line':
        return { ticket, ask: 'line', result: checkRigLine(document, question.id, judge) };
      case 'feeds':
        return { ticket, ask: 'feeds', options: groupFeeds(document, question.device, question.group, judge) };
      case 'probe': {
        const path = rigPath(document, question.id);
        if (!path) return { ticket, ask: 'failed', message: 'the line is gone' };
        return { ticket, ask: 'probe', volts: probe(path.line, question.red, question.black) };
      }
    }
  } catch (error) {
    return { ticket, ask: 'failed', message: (error as Error).message };
  }
}

self.onmessage = ({ data }: MessageEvent<Question>) => self.postMessage(answer(data));
