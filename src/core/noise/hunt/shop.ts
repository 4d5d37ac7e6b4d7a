import { bitOf, type Hunt, type HuntStep } from './state';

/** What a hunt proves of one unit: that it disturbs alone, with everything else unplugged that may be. */
export interface ShopCase {
  /** The unit with as few others as were ever measured with it. */
  alone?: HuntStep;
  /** The same without it. */
  without?: HuntStep;
  /** Names of what was left on beside it. */
  left: string[];
  /** Nothing but what is never off was on beside it, and the same was measured without it. */
  proven: boolean;
}

/** Gathers from a hunt what the repair shop wants to know of a suspect. */
export function shopCase({ suspects, steps }: Hunt, unit: string): ShopCase {
  const own = bitOf(suspects, [unit]);
  const bits = (step: HuntStep): number => bitOf(suspects, step.on);
  const count = (on: number): number => on.toString(2).replaceAll('0', '').length;
  const fewest = (list: readonly HuntStep[]) => list.toSorted((a, b) => count(bits(a)) - count(bits(b)))[0];
  const alone: HuntStep | undefined = fewest(steps.filter((step) => bits(step) & own));
  const others = alone ? bits(alone) & ~own : 0;
  const without =
    steps.find((step) => bits(step) === others) ?? (alone && fewest(steps.filter((step) => !(bits(step) & own))));
  const stays = suspects.filter(({ fixed }) => fixed).map(({ id }) => id);
  const bare = bitOf(suspects, stays) & ~own;
  return {
    ...(alone && { alone }),
    ...(without && { without }),
    left: suspects.filter(({ id }) => id !== unit && alone?.on.includes(id)).map(({ name }) => name),
    proven: alone !== undefined && without !== undefined && others === bare && bits(without) === bare,
  };
}
