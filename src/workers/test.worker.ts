import { rigPath, schoolsOf } from '@/core/rig';
import { cableTable, cableTest, diagnose, waitOf } from '@/core/testing';
import type { TestAnswer, TestQuestion } from './testMessages';

function answer(question: TestQuestion): TestAnswer {
  const { ticket, observations, repairs } = question;
  const only = question.only && new Set(question.only);
  if (question.ask === 'cable') {
    const { connector, cable } = question;
    return { ticket, ask: 'cable', found: cableTest(cableTable(connector, cable, repairs), observations, only) };
  }
  const { document, line, cannot } = question;
  const path = rigPath(document, line);
  if (!path) return { ticket, ask: 'failed', message: 'This line is gone.' };
  const wait = waitOf(schoolsOf(document));
  return {
    ticket,
    ask: 'line',
    found: diagnose(path.line, observations, { wait, repairs, only, cannot: new Set(cannot) }),
  };
}

self.onmessage = ({ data }: MessageEvent<TestQuestion>) => {
  try {
    self.postMessage(answer(data));
  } catch (problem) {
    self.postMessage({ ticket: data.ticket, ask: 'failed', message: (problem as Error).message } satisfies TestAnswer);
  }
};
