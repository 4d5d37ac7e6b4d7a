import { rigPath, schoolsOf } from '@/core/rig';
import { cableTable, cableTest, diagnose, situationOf, waitOf } from '@/core/testing';
import type { TestAnswer, TestQuestion } from './testMessages';
import { onQuestion } from './asked';

function answer(question: TestQuestion): TestAnswer {
  const { ticket, observations, experience } = question;
  const only = question.only && new Set(question.only);
  if (question.ask === 'cable') {
    const { connector, cable } = question;
    return { ticket, ask: 'cable', found: cableTest(cableTable(connector, cable, experience), observations, only) };
  }
  const { document, line, cannot, pulled } = question;
  const path = rigPath(document, line);
  if (!path) return { ticket, ask: 'failed', message: 'This line was deleted.' };
  const wait = waitOf(schoolsOf(document));
  const situation = situationOf(document, line)!;
  const feedStaysOff = situation.harmed.length > 0 && !pulled;
  return {
    ticket,
    ask: 'line',
    found: diagnose(path.line, observations, { wait, ...experience, only, feedStaysOff, cannot: new Set(cannot) }),
    situation,
  };
}

onQuestion<TestQuestion>((data) => {
  try {
    self.postMessage(answer(data));
  } catch (problem) {
    self.postMessage({ ticket: data.ticket, ask: 'failed', message: (problem as Error).message } satisfies TestAnswer);
  }
});
