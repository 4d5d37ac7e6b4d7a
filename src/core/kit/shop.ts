/** What a repair shop is told of a unit, and what came of it: the page that goes along, and the record that stays with the item. */
export interface ShopRecord {
  /** What it is called on the rig. */
  unit: string;
  /** The item of the kit that it is. */
  item?: string;
  serial?: string;
  /** The rig that it disturbed, and the hunt that found it. */
  rig: { id: string; name: string };
  hunt?: { id: number; suspect: string; line: string };
  /** What was tried and changed nothing. */
  unchanged?: string;
  /** Who was asked, and what they said. */
  asked: { who: string; said: string; on: string }[];
  done?: ShopWork;
  /** Recordings of it, by the numbers of what was kept on that rig. */
  recordings?: { heard?: number; silent?: number };
  /** Measured again after it came back, in words: level, line, conditions. */
  again?: string;
}

/** What was done; days are of the calendar. */
export interface ShopWork {
  what: string;
  by: string;
  on: string;
  cost?: string;
  warranty?: string;
}

/** Most people that one record names. */
export const MOST_ASKED = 50;
