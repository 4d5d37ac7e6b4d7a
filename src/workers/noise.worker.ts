import { CircuitError } from '@/core/circuit';
import { noiseBudget, noiseRemedies, type BudgetWishes, type NoiseBudget } from '@/core/noise/budget';
import { huntView, type Hunt } from '@/core/noise/hunt';
import type { Computed } from '@/core/noise/ladder';
import { peakTargetOf } from '@/core/schools';
import { rigPath, schoolsOf, type RigDocument } from '@/core/rig';
import { roomOf } from '@/core/rig/places';
import { freeInlets } from '@/core/rig/rigEdits';
import { ofPower } from '@/core/signal';
import { ratio } from '@/core/units';
import {
  computedTones,
  heardOn,
  heardOnAll,
  humDifference,
  mainsAsks,
  mainsReport,
  type HumDifference,
  type LineHum,
} from '@/core/mains';
import type { LineFloor, NoiseAnswer, NoiseQuestion } from './noiseMessages';
import { onQuestion } from './asked';

const wishesOf = (document: RigDocument, line: string) => ({
  target: peakTargetOf(schoolsOf(document)),
  room: roomOf(document, line),
});

function budgetOf(
  document: RigDocument,
  id: string,
  heard: LineHum | undefined,
  more: Pick<BudgetWishes, 'gain' | 'hum'> = {},
): LineFloor['budget'] {
  const path = rigPath(document, id);
  if (!path) return { reason: 'This line was deleted.' };
  try {
    return noiseBudget(path.line, { ...wishesOf(document, id), hum: computedTones(heard), ...defined(more) });
  } catch (problem) {
    if (problem instanceof CircuitError) return { reason: problem.message };
    throw problem;
  }
}

/** Without what is undefined, which would hide what stands before it. */
const defined = <T extends object>(of: T): T =>
  Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as T;

/** What a ladder cannot take away, as recorded. */
function computedOf({ parts, dbfsA, aWeighted }: NoiseBudget): Computed {
  const power = (kind: string) => {
    const part = parts.find((each) => each.kind === kind && each.part === 'source');
    return part && ratio(part.aWeighted + dbfsA - aWeighted) ** 2;
  };
  return { coil: power('thermal'), selfNoise: power('self-noise') };
}

/** The loudest hum that a hunt has heard, against the model. */
function differenceOf({ line, steps }: Hunt, document: RigDocument): HumDifference | undefined {
  const loudest = Math.max(0, ...steps.map(({ components: { hum, buzz } }) => hum + buzz));
  return loudest > 0 ? humDifference(document, line, ofPower(loudest)) : undefined;
}

function answer(question: NoiseQuestion): NoiseAnswer {
  const { ticket } = question;
  switch (question.ask) {
    case 'floors': {
      const { document, hums } = question;
      const heard = heardOnAll(document);
      const floors = document.lines.map(({ id }) => ({
        line: id,
        budget: budgetOf(document, id, heard.get(id), { hum: hums[id] }),
      }));
      return { ticket, ask: 'floors', floors };
    }
    case 'budget': {
      const { document, line, gain, hum } = question;
      const budget = budgetOf(document, line, heardOn(document, line), { gain, hum });
      if ('reason' in budget) return { ticket, ask: 'budget', budget, remedies: [], computed: {} };
      const path = rigPath(document, line)!.line;
      const remedies = noiseRemedies(path, wishesOf(document, line), freeInlets(document));
      return { ticket, ask: 'budget', budget, remedies, computed: computedOf(budget) };
    }
    case 'mains':
      return { ticket, ask: 'mains', report: mainsReport(question.document) };
    case 'mains asks':
      return { ticket, ask: 'mains asks', asks: mainsAsks(question.document, question.report) };
    case 'hunt': {
      const { hunt, document } = question;
      return { ticket, ask: 'hunt', view: huntView(hunt), difference: differenceOf(hunt, document) };
    }
  }
}

onQuestion<NoiseQuestion>((data) => {
  try {
    self.postMessage(answer(data));
  } catch (problem) {
    self.postMessage({ ticket: data.ticket, ask: 'failed', message: (problem as Error).message } satisfies NoiseAnswer);
  }
});
