/** Samples that come in pieces of any length, gathered until there are enough to work on. */
export interface Gathering {
  /** The first of them are there. */
  held: Float32Array;
  /** How many are. */
  filled: () => number;
  push: (samples: Float32Array) => void;
}

/**
 * @param size how many are worked on at a time
 * @param kept how many of them, the last, are worked on again with the next
 * @param work what is done each time that so many are held
 */
export function gathering(size: number, kept: number, work: () => void): Gathering {
  const held = new Float32Array(size);
  let filled = 0;
  return {
    held,
    filled: () => filled,
    push(samples) {
      for (let at = 0; at < samples.length;) {
        const count = Math.min(size - filled, samples.length - at);
        held.set(samples.subarray(at, at + count), filled);
        filled += count;
        at += count;
        if (filled < size) continue;
        work();
        held.copyWithin(0, size - kept);
        filled = kept;
      }
    },
  };
}
