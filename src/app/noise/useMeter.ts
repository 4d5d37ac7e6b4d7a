'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Origin } from '@/core/noise/kept';
import type { MeterReport, Recorded } from '@/workers/noiseMessages';
import { startMeter, type Meter } from '@/workers/noiseWorker';
import { openInput, type OpenInput } from './openInput';

/** A recording that was measured, and where it came from. */
export interface Measured extends Recorded {
  origin: Origin;
  name: string;
  /** What keeps it from being trusted, by no fault of the sound. */
  warning?: string;
  /** Its figures are kept. */
  kept?: boolean;
}

export type Metering =
  | { state: 'idle' }
  | { state: 'measuring'; origin: Origin; name: string; seconds: number; share?: number; peak: number }
  | { state: 'failed'; message: string };

/** Largest file whose sound can be kept, in bytes. */
const MOST_SOUND = 64 * 1024 * 1024;

/** Measures one recording at a time in a worker; each can be stopped. */
export function useMeter(onMeasured: (measured: Measured) => void) {
  const [metering, setMetering] = useState<Metering>({ state: 'idle' });
  const meter = useRef<Meter>(undefined);
  const input = useRef<OpenInput>(undefined);

  const stop = useCallback(() => {
    meter.current?.stop();
    input.current?.close();
    meter.current = input.current = undefined;
    setMetering({ state: 'idle' });
  }, []);
  useEffect(() => stop, [stop]);

  /** Starts a worker whose reports become this hook's state. */
  const begin = useCallback(
    (origin: Origin, name: string, { warning, sound }: { warning?: string; sound?: Blob } = {}): Meter => {
      stop();
      setMetering({ state: 'measuring', origin, name, seconds: 0, peak: 0 });
      const own = startMeter((report: MeterReport) => {
        if (meter.current !== own) return;
        if (report.tells === 'progress') {
          const { seconds, share, peak } = report;
          setMetering({ state: 'measuring', origin, name, seconds, share, peak });
          return;
        }
        stop();
        if (report.tells === 'failed') setMetering({ state: 'failed', message: report.message });
        else
          onMeasured({ ...report.recorded, origin, name, ...(warning && { warning }), ...(sound && { audio: sound }) });
      });
      meter.current = own;
      return own;
    },
    [stop, onMeasured],
  );

  const file = useCallback(
    (chosen: File) =>
      begin('file', chosen.name, chosen.size <= MOST_SOUND ? { sound: chosen } : {}).order({
        do: 'file',
        file: chosen,
      }),
    [begin],
  );
  const simulated = useCallback(
    (path: string, name: string) => begin('simulated', name).order({ do: 'fetch', path }),
    [begin],
  );
  const finish = useCallback(() => {
    input.current?.close();
    input.current = undefined;
    meter.current?.order({ do: 'end' });
  }, []);
  const listen = useCallback(
    async (seconds: number) => {
      stop();
      const opened = await openInput();
      if ('refused' in opened) return setMetering({ state: 'failed', message: opened.refused });
      const own = begin('browser', opened.label, { warning: opened.warning });
      input.current = opened;
      own.order({ do: 'listen', sampleRate: opened.sampleRate, channels: opened.channels });
      let frames = 0;
      opened.start((block) => {
        if (meter.current !== own || input.current !== opened) return;
        frames += block[0].length;
        own.order(
          { do: 'block', block },
          block.map(({ buffer }) => buffer as ArrayBuffer),
        );
        if (frames >= seconds * opened.sampleRate) finish();
      });
    },
    [begin, finish, stop],
  );
  const dismiss = useCallback(() => setMetering({ state: 'idle' }), []);
  return { metering, file, simulated, listen, finish, stop, dismiss };
}
