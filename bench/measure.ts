export const middle = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1];

/** So many that the middle of them is none of those, two hundred in a row, that take four times as long as the others. */
const RUNS = 801;

/** The operating point by ngspice, netlist text to voltages, in microseconds. */
export async function ngspice(text: string): Promise<number> {
  const { Simulation } = await import('eecircuit-engine');
  const simulation = new Simulation();
  await simulation.start();
  const runs: number[] = [];
  for (let n = 0; n < RUNS; n++) {
    simulation.setNetList(text);
    const start = performance.now();
    await simulation.runSim();
    runs.push((performance.now() - start) * 1000);
  }
  return middle(runs);
}

/** Microseconds per call: the middle of several rounds, after a warm-up. */
export function measure(calls: number, run: () => unknown, rounds = 9): number {
  const times = Array.from({ length: rounds + 1 }, () => {
    const start = performance.now();
    for (let n = 0; n < calls; n++) run();
    return ((performance.now() - start) * 1000) / calls;
  });
  return middle(times.slice(1));
}
