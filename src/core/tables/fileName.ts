/** A file named after a rig: without what file systems dislike, and without ids that nobody knows. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .replace(/[^\p{L}\p{N} _-]+/gu, '')
      .trim()
      .replace(/\s+/g, '-')
      .toLowerCase() || 'rig'
  }.${ending}`;
