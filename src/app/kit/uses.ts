/** Where an item is used: a rig, and there the lines. */
export interface Use {
  rig: string;
  name: string;
  places: string[];
}
