/**
 * Hands out pieces of one array. Thousands of small typed arrays a second cost more in their making than in their use.
 * @param length of all pieces together
 */
export function carve(length: number): (piece: number) => Float64Array {
  const all = new Float64Array(length);
  let at = 0;
  return (piece) => all.subarray(at, (at += piece));
}
