import { startDesk } from './desk';
import type { MeterOrder, MeterReport, NoiseAnswer, NoiseQuestion } from './noiseMessages';

/** Starts the worker that computes budgets and follows hunts. */
export const startNoiseDesk = () =>
  startDesk<NoiseQuestion, NoiseAnswer>(new Worker(new URL('./noise.worker.ts', import.meta.url), { type: 'module' }));
export type NoiseDesk = ReturnType<typeof startNoiseDesk>;

const BROKEN = 'The worker that measures could not be started; reload the page.';

/** Starts a worker that measures one recording. */
export function startMeter(onReport: (report: MeterReport) => void) {
  const worker = new Worker(new URL('./meter.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<MeterReport>) => onReport(data);
  worker.onerror = () => onReport({ tells: 'failed', message: BROKEN });
  return {
    order: (order: MeterOrder, transfer: Transferable[] = []) => worker.postMessage(order, transfer),
    stop: () => worker.terminate(),
  };
}
export type Meter = ReturnType<typeof startMeter>;
