import { SYMPTOMS, type ActNow, type Diagnosed, type Question } from '@/core/testing';
import type { Fault } from './useFault';

/** By what a look is known. */
export const keyOf = ({ instrument, at }: { instrument: string; at: string }): string => `${instrument} at ${at}`;

/** The act that is being done, or that is due. */
export function actOf(found: Diagnosed | undefined, { acting, on, chosen }: Fault): ActNow | undefined {
  if (!found) return undefined;
  if (acting !== undefined) return found.acts.find(({ id }) => id === acting);
  return found.act && !on && chosen === undefined ? found.acts[0] : undefined;
}

/** First what is heard; then what was asked for, else what tells most for its time. */
export function questionOf(found: Diagnosed, { observations, chosen, cannot }: Fault): Question | undefined {
  const all = [...(found.next ? [found.next] : []), ...found.others];
  const listening = all.find(({ instrument }) => instrument === 'listening');
  if (chosen === undefined && observations.length === 0 && listening && !cannot.includes(keyOf(listening)))
    return {
      ...listening,
      answers: Object.entries(SYMPTOMS).map(([key, text]) => ({ key, text, likely: 0, means: '' })),
    };
  return all.find((each) => keyOf(each) === chosen) ?? all[0];
}
