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
 * @param work what is done each time that so many are there: in some array, from some place on
 */
export function gathering(size: number, kept: number, work: (samples: Float32Array, from: number) => void): Gathering {
  const held = new Float32Array(size);
  let filled = 0;
  return {
    held,
    filled: () => filled,
    push(samples) {
      for (let at = 0; at < samples.length;) {
        // What is held came with this piece: it is worked on where it lies.
        if (filled > 0 && at >= filled) {
          at -= filled;
          filled = 0;
        }
        if (filled === 0 && samples.length - at >= size) {
          work(samples, at);
          at += size - kept;
          continue;
        }
        const count = Math.min(size - filled, samples.length - at);
        held.set(samples.subarray(at, at + count), filled);
        filled += count;
        at += count;
        if (filled < size) return;
        work(held, 0);
        held.copyWithin(0, size - kept);
        filled = kept;
      }
    },
  };
}
