import { startWorker } from './workerClient';
import { silenceAfter } from './silence';
import type { MeterOrder, MeterReport, NoiseAnswer, NoiseQuestion } from './noiseMessages';

/** Starts the worker that computes budgets and follows hunts. */
export const startNoiseWorker = () =>
  startWorker<NoiseQuestion, NoiseAnswer>(
    () => new Worker(new URL('./noise.worker.ts', import.meta.url), { type: 'module' }),
  );
export type NoiseWorker = ReturnType<typeof startNoiseWorker>;

const BROKEN = 'The worker that measures could not be started. Try again; if that doesn’t help, reload the page.';

const LOST = 'The worker that measures stopped without an answer. Nothing was kept of it; record or choose it again.';
/** How long it may say nothing, in milliseconds: an hour of sound is summed up in less (measured). */
const PATIENCE = 60_000;

/** Starts a worker that measures one recording. */
export function startMeter(onReport: (report: MeterReport) => void) {
  const worker = new Worker(new URL('./meter.worker.ts', import.meta.url), { type: 'module' });
  const silence = silenceAfter(PATIENCE, () => fail(LOST));
  const stop = () => {
    silence.stop();
    worker.terminate();
  };
  const fail = (message: string) => {
    stop();
    onReport({ tells: 'failed', message });
  };
  worker.onmessage = ({ data }: MessageEvent<MeterReport>) => {
    if (data.tells === 'progress') silence.heard();
    else silence.stop();
    onReport(data);
  };
  worker.onerror = () => fail(BROKEN);
  return {
    order: (order: MeterOrder, transfer: Transferable[] = []) => worker.postMessage(order, transfer),
    stop,
  };
}
export type Meter = ReturnType<typeof startMeter>;
