/**
 * Hands out pieces of one array. Thousands of small typed arrays a second cost more in their making than in their use.
 * @param length of all pieces together
 */
export function carve(length: number): (piece: number) => Float64Array {
  const all = new Float64Array(length);
  let at = 0;
  return (piece) => all.subarray(at, (at += piece));
}

/** Pieces in a block. */
const BLOCK = 64;

/** Hands out pieces of one length, as many as are asked for. */
export function carveOn(length: number): () => Float64Array {
  let take = carve(0);
  let left = 0;
  return () => {
    if (left === 0) [take, left] = [carve(BLOCK * length), BLOCK];
    left--;
    return take(length);
  };
}
