import type { ShopRecord } from './shop';

/** What may be said of a record after it was begun. */
export type ShopSaid = Pick<ShopRecord, 'serial' | 'item' | 'unchanged' | 'asked' | 'done' | 'recordings' | 'again'>;

/** What each field is called where it is shown. */
export const SHOP_FIELDS: Record<Exclude<keyof ShopSaid, 'asked'>, string> = {
  serial: 'Serial number',
  item: 'Item of the kit',
  unchanged: 'What was tried and changed nothing',
  recordings: 'Recordings',
  done: 'What was done',
  again: 'Measured again',
};

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A record with what two people have said of it, both of whom began from `base`: whoever was asked stays, from both.
 * @returns the record, and the fields that both changed to something else; mine stands there
 */
export function mergedShop(
  base: ShopSaid,
  mine: ShopSaid,
  theirs: ShopSaid,
): { said: ShopSaid; both: (keyof typeof SHOP_FIELDS)[] } {
  const fields = Object.keys(SHOP_FIELDS) as (keyof typeof SHOP_FIELDS)[];
  const isMine = (field: keyof ShopSaid): boolean => !same(mine[field], base[field]);
  const chosen = fields.map((field) => [field, (isMine(field) ? mine : theirs)[field]] as const);
  const known = [...base.asked, ...theirs.asked];
  return {
    said: {
      ...Object.fromEntries(chosen.filter(([, value]) => value !== undefined)),
      asked: [...theirs.asked, ...mine.asked.filter((each) => !known.some((other) => same(each, other)))],
    },
    both: fields.filter(
      (field) => isMine(field) && !same(theirs[field], base[field]) && !same(theirs[field], mine[field]),
    ),
  };
}
