import { actionCourse } from '@/core/rigcheck';
import { changeOverWays } from '@/core/runsheet';
import type { SwitchAnswer, SwitchQuestion } from './switchMessages';
import { onQuestion } from './asked';

function answer(question: SwitchQuestion): SwitchAnswer {
  const { ticket } = question;
  try {
    switch (question.ask) {
      case 'course':
        return { ticket, ask: 'course', course: actionCourse(question.document, question.line, question) };
      case 'ways': {
        const { document, rig, state, line } = question;
        return { ticket, ask: 'ways', ways: changeOverWays(document, rig, state, line) };
      }
    }
  } catch (error) {
    return { ticket, ask: 'failed', message: (error as Error).message };
  }
}

onQuestion<SwitchQuestion>((data) => self.postMessage(answer(data)));
