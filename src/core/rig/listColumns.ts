/** What a column of an input list may hold. */
export const LIST_ROLES = [
  'number',
  'name',
  'source',
  'links',
  'cable',
  'device',
  'inlet',
  'feed',
  'location',
  'note',
] as const;
export type ListRole = (typeof LIST_ROLES)[number];

/** A column of the list that a rig was read from: its list is handed back the way it came. */
export interface ListColumn {
  heading: string;
  /** Absent for what no line knows by itself: that lies in the notes of the lines. */
  holds?: ListRole;
}

/** Most columns of an input list, and the longest heading. */
export const MOST_COLUMNS = 60;
export const LONGEST_HEADING = 120;
