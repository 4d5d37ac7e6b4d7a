/** Something that an instrument may show, as a key that stays the same, and in words for whoever looks at it. */
export interface Outcome {
  /** As it is written in observations: `2 lit, 3 dark`. */
  key: string;
  /** As it is said: `Only lamp 2`. */
  text: string;
}

/** What an instrument shows of one world, with how likely each is. */
export type Shown = readonly (Outcome & { share: number })[];

export const surely = (outcome: Outcome): Shown => [{ ...outcome, share: 1 }];

/** Two ways that things may be at the moment of looking. @param share of the first */
export function mixed(first: Shown, share: number, second: Shown): Shown {
  const found = new Map<string, Shown[number]>();
  for (const [list, weight] of [
    [first, share],
    [second, 1 - share],
  ] as const)
    for (const each of list) {
      const known = found.get(each.key)?.share ?? 0;
      found.set(each.key, { ...each, share: known + weight * each.share });
    }
  return [...found.values()];
}
