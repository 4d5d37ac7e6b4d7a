/** How fine the levels near the greatest are told apart, and how far below it they are counted. */
const [TOP_STEPS, TOP_FROM] = [200, 0.9];

/** Counts samples near the greatest one, of either sign by itself. */
export function topMeter() {
  const sides = [1, -1].map((sign) => ({ sign, most: 0, counts: new Uint32Array(TOP_STEPS) }));
  const place = (size: number, most: number) => Math.floor((TOP_STEPS * (1 - size / most)) / (1 - TOP_FROM));
  return {
    push(samples: Float32Array, from: number, to: number, peak: number): void {
      for (const side of sides) {
        if (peak < TOP_FROM * side.most) continue;
        for (let n = from; n < to; n++) {
          const size = samples[n] * side.sign;
          if (size <= TOP_FROM * side.most || size <= 0) continue;
          if (size > side.most) {
            // What was counted lies lower now, by the ratio.
            const moved = new Uint32Array(TOP_STEPS);
            side.counts.forEach((count, step) => {
              const to = place(side.most * (1 - ((step + 0.5) / TOP_STEPS) * (1 - TOP_FROM)), size);
              if (count && to < TOP_STEPS) moved[to] += count;
            });
            side.counts = moved;
            side.most = size;
          }
          const step = place(size, side.most);
          if (step < TOP_STEPS) side.counts[step]++;
        }
      }
    },
    /** The larger of both sides; a sine has 1.36, noise less than 1. */
    flatness(): number {
      const per = TOP_STEPS / (100 * (1 - TOP_FROM));
      const sum = (counts: Uint32Array, from: number, to: number) =>
        counts.subarray(from, to).reduce((total, count) => total + count, 0);
      return Math.max(
        ...sides.map(({ counts }) => {
          const [top, below] = [sum(counts, 0, per), sum(counts, per, 3 * per)];
          return top < 30 ? 0 : top / Math.max(1, below);
        }),
      );
    },
  };
}
