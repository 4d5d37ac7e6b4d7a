import loadPffft from '@echogarden/pffft-wasm/simd';
import {
  pffftTransforms,
  recordingMeter,
  wavReader,
  type RecordingMeter,
  type Transforms,
  type WavFormat,
} from '@/core/signal';
import { measurementOf } from '@/core/noise/measurement';
import { wavBody, wavHead } from '@/core/signal/wav/writer';
import type { MeterOrder, MeterReport, Recorded } from './noiseMessages';

/** How often a page is told how far it is, in milliseconds. */
const TELLS = 120;
/** Longest recording from the browser's input whose sound can be kept, in frames. */
const MOST_FRAMES = 10 * 60 * 48_000;

const tell = (report: MeterReport) => self.postMessage(report);

/** A recording being measured. */
interface Measuring {
  meter: RecordingMeter;
  frames: number;
  peak: number;
  rate: number;
  channels: number;
  expected?: number;
}
let measuring: Measuring | undefined;
let told = 0;

/** Longest that a recording waits for its transforms, in milliseconds (assumed). */
const WAITS = 5000;
/** A browser that cannot have them, or not soon, reads recordings by the plain ones, and takes twice as long. */
let transforms: Transforms | undefined;
const loaded = Promise.race([
  loadPffft().then(
    (pffft) => (transforms = pffftTransforms(pffft)),
    () => undefined,
  ),
  new Promise((waited) => setTimeout(waited, WAITS)),
]);

function begin(rate: number, channels: number, expected?: number) {
  measuring = {
    meter: recordingMeter(rate, channels, expected, transforms),
    frames: 0,
    peak: 0,
    rate,
    channels,
    expected,
  };
}

function take(block: Float32Array[]) {
  const now = measuring!;
  now.meter.push(block);
  now.frames += block[0].length;
  for (const samples of block) for (const value of samples) now.peak = Math.max(now.peak, Math.abs(value));
  if (performance.now() - told < TELLS) return;
  told = performance.now();
  const share = now.expected && now.frames / now.expected;
  tell({
    tells: 'progress',
    seconds: now.frames / now.rate,
    ...(share && { share: Math.min(1, share) }),
    peak: now.peak,
  });
  now.peak = 0;
}

function finished(more: Pick<Recorded, 'truncated' | 'gain' | 'audio'>): void {
  const { meter, channels, rate, frames } = measuring!;
  const reading = meter.reading();
  tell({
    tells: 'measured',
    recorded: {
      measurements: Array.from({ length: channels }, (_, channel) => measurementOf(meter, channel)),
      seconds: frames / rate,
      sampleRate: rate,
      pairs: reading.pairs,
      patterns: reading.patterns,
      ...more,
    },
  });
}

/** Reads a stream of WAV to its end. @param keep its bytes are kept as they come */
async function read(stream: ReadableStream<Uint8Array>, keep: boolean, gain?: number): Promise<void> {
  const kept: Uint8Array<ArrayBuffer>[] = [];
  const reader = wavReader({
    onFormat: ({ sampleRate, channels, frames }: WavFormat) => begin(sampleRate, channels, frames),
    onBlock: take,
  });
  const source = stream.getReader();
  for (let part = await source.read(); !part.done; part = await source.read()) {
    // The reader may keep what it is given until more comes.
    reader.push(part.value);
    if (keep) kept.push(new Uint8Array(part.value));
  }
  const { truncated } = reader.end();
  finished({
    truncated,
    ...(gain !== undefined && { gain }),
    ...(keep && { audio: new Blob(kept, { type: 'audio/wav' }) }),
  });
}

async function fetched(path: string): Promise<void> {
  const response = await fetch(path);
  if (!response.ok || !response.body) {
    const { error } = (await response.json()) as { error: { message: string } };
    throw new Error(error.message);
  }
  const gain = response.headers.get('x-gain');
  await read(response.body, true, gain === null ? undefined : Number(gain));
}

/** Sound that comes in as blocks, as WAV, so that it can be kept. */
const heard: Uint8Array<ArrayBuffer>[] = [];

async function obey(order: MeterOrder): Promise<void> {
  switch (order.do) {
    case 'file':
      return read(order.file.stream(), false);
    case 'fetch':
      return fetched(order.path);
    case 'listen':
      return begin(order.sampleRate, order.channels);
    case 'block':
      if (measuring && measuring.frames < MOST_FRAMES) heard.push(wavBody(order.block) as Uint8Array<ArrayBuffer>);
      return take(order.block);
    case 'end': {
      const { rate, channels, frames } = measuring!;
      if (frames === 0) throw new Error('No sound came from the input. Choose another one and record again.');
      const head = wavHead(rate, channels, Math.min(frames, MOST_FRAMES)) as Uint8Array<ArrayBuffer>;
      return finished({ truncated: false, audio: new Blob([head, ...heard], { type: 'audio/wav' }) });
    }
  }
}

/** Orders are obeyed in turn: what is listened to comes as blocks while transforms may still be loaded. */
let turn: Promise<unknown> = loaded;
self.onmessage = ({ data }: MessageEvent<MeterOrder>) => {
  turn = turn.then(() => obey(data)).catch((problem: Error) => tell({ tells: 'failed', message: problem.message }));
};
