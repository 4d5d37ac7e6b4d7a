import loadHighs from 'highs';
import {
  assignDirectCurrent,
  highsSolver,
  ownCells,
  planRig,
  rankedChains,
  runningTimes,
  supplyOptions,
  type Solver,
} from '@/core/plan';
import type { PlanAnswer, PlanQuestion } from './planMessages';
import { onQuestion } from './asked';

const clock = () => performance.now() / 1000;
const tell = (answer: PlanAnswer) => self.postMessage(answer);

let solver: Promise<Solver> | undefined;
const solving = (): Promise<Solver> => (solver ??= loadHighs().then(highsSolver));

async function answer(question: PlanQuestion): Promise<PlanAnswer> {
  const { ticket } = question;
  switch (question.ask) {
    case 'plan': {
      const began = clock();
      const plan = planRig(question.request, {
        solver: await solving(),
        clock,
        onProgress: (progress) => tell({ ticket, ask: 'progress', progress }),
      });
      return { ticket, ask: 'plan', plan, seconds: clock() - began };
    }
    case 'chains': {
      const { document, kit, line, inlet, feed } = question;
      return { ticket, ask: 'chains', chains: rankedChains(document, kit, line, inlet, feed) };
    }
    case 'supplies':
      return { ticket, ask: 'supplies', options: supplyOptions(question.document, question.kit, question.line) };
    case 'batteries': {
      const { document } = question;
      return { ticket, ask: 'batteries', times: runningTimes(document), cells: ownCells(document) };
    }
    case 'outlets': {
      const outlets = assignDirectCurrent(question.directCurrent, await solving(), { seconds: 5, clock });
      return { ticket, ask: 'outlets', outlets };
    }
  }
}

onQuestion<PlanQuestion>(
  (data) =>
    void answer(data)
      .catch((error: Error): PlanAnswer => ({ ticket: data.ticket, ask: 'failed', message: error.message }))
      .then(tell),
);
