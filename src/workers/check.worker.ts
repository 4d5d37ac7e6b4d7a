import { lineResult, probe } from '@/core/check';
import type { Answer, Question } from './messages';

const answer = (question: Question): Answer => {
  const { ticket } = question;
  try {
    return question.ask === 'check'
      ? { ticket, ask: 'check', result: lineResult(question.line, question.schools) }
      : { ticket, ask: 'probe', volts: probe(question.line, question.red, question.black) };
  } catch (error) {
    return { ticket, ask: 'failed', message: (error as Error).message };
  }
};

self.onmessage = ({ data }: MessageEvent<Question>) => self.postMessage(answer(data));
