import { CircuitError } from '@/core/circuit';
import { noiseBudget, noiseRemedies, type BudgetWishes, type NoiseBudget } from '@/core/noise/budget';
import { huntView } from '@/core/noise/hunt';
import type { Computed } from '@/core/noise/ladder';
import { peakTargetOf } from '@/core/schools';
import { rigPath, schoolsOf, type RigDocument } from '@/core/rig';
import { roomOf } from '@/core/rig/places';
import { freeInlets } from '@/core/rig/rigEdits';
import { ratio } from '@/core/units';
import { mainsReport } from '@/core/mains';
import type { LineFloor, NoiseAnswer, NoiseQuestion } from './noiseMessages';
import { onQuestion } from './asked';

const wishesOf = (document: RigDocument, line: string) => ({
  target: peakTargetOf(schoolsOf(document)),
  room: roomOf(document, line),
});

function budgetOf(
  document: RigDocument,
  id: string,
  more: Pick<BudgetWishes, 'gain' | 'hum'> = {},
): LineFloor['budget'] {
  const path = rigPath(document, id);
  if (!path) return { reason: 'This line was deleted.' };
  try {
    return noiseBudget(path.line, { ...wishesOf(document, id), ...more });
  } catch (problem) {
    if (problem instanceof CircuitError) return { reason: problem.message };
    throw problem;
  }
}

/** What a ladder cannot take away, as recorded. */
function computedOf({ parts, dbfsA, aWeighted }: NoiseBudget): Computed {
  const power = (kind: string) => {
    const part = parts.find((each) => each.kind === kind && each.part === 'source');
    return part && ratio(part.aWeighted + dbfsA - aWeighted) ** 2;
  };
  return { coil: power('thermal'), selfNoise: power('self-noise') };
}

function answer(question: NoiseQuestion): NoiseAnswer {
  const { ticket } = question;
  switch (question.ask) {
    case 'floors': {
      const { document } = question;
      const floors = document.lines.map(({ id }) => ({ line: id, budget: budgetOf(document, id) }));
      return { ticket, ask: 'floors', floors };
    }
    case 'budget': {
      const { document, line, gain, hum } = question;
      const budget = budgetOf(document, line, { gain, hum });
      if ('reason' in budget) return { ticket, ask: 'budget', budget, remedies: [], computed: {} };
      const path = rigPath(document, line)!.line;
      const remedies = noiseRemedies(path, wishesOf(document, line), freeInlets(document));
      return { ticket, ask: 'budget', budget, remedies, computed: computedOf(budget) };
    }
    case 'mains':
      return { ticket, ask: 'mains', report: mainsReport(question.document) };
    case 'hunt':
      return { ticket, ask: 'hunt', view: huntView(question.hunt) };
  }
}

onQuestion<NoiseQuestion>((data) => {
  try {
    self.postMessage(answer(data));
  } catch (problem) {
    self.postMessage({ ticket: data.ticket, ask: 'failed', message: (problem as Error).message } satisfies NoiseAnswer);
  }
});
