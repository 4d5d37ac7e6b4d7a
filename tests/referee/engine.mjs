import { parentPort } from 'node:worker_threads';
import { Simulation } from 'eecircuit-engine';

/** ngspice as WebAssembly in a thread of its own: a netlist in, its vectors out. */
const simulation = new Simulation();
const ready = simulation.start();

parentPort.on('message', async (text) => {
  await ready;
  simulation.setNetList(text);
  try {
    const { data } = await simulation.runSim();
    parentPort.postMessage({ data, log: simulation.getError() });
  } catch (error) {
    parentPort.postMessage({ error: String(error), log: simulation.getError() });
  }
});
