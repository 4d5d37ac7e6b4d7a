import { fstatSync, openSync, readSync } from 'node:fs';
import loadPffft from '@echogarden/pffft-wasm/simd';
import {
  pffftTransforms,
  recordingMeter,
  WavError,
  wavReader,
  type RecordingMeter,
  type Transforms,
  type WavFormat,
} from '@/core/signal';
import { refuse } from './terminal';

/** Bytes that are read at a time. */
const PIECE = 1 << 18;

const [path] = process.argv.slice(2);
if (!path) refuse('usage', 'npm run -s noise -- FILE.wav');
const file = opened(path);
// Not awaited out here: what npm runs is no module.
void loadPffft().then((loaded) => {
  process.stdout.write(`${JSON.stringify(readingOf(file, pffftTransforms(loaded)), null, 2)}\n`);
});

function opened(name: string): number {
  try {
    const file = openSync(name, 'r');
    return fstatSync(file).isDirectory() ? refuse('unreadable', `${name} is a folder; name a WAV file in it`) : file;
  } catch (problem) {
    return refuse('unreadable', `${name} cannot be read: ${(problem as Error).message}`);
  }
}

/** What a recording says; read in pieces, so that memory stays flat. */
function readingOf(file: number, transforms: Transforms): object {
  let format: WavFormat | undefined;
  let meter: RecordingMeter | undefined;
  const reader = wavReader({
    onFormat(found) {
      format = found;
      meter = recordingMeter(found.sampleRate, found.channels, found.frames, transforms);
    },
    onBlock: (block) => meter!.push(block),
  });
  try {
    // Two pieces in turn: the reader may keep the end of one until the next has come.
    const pieces = [new Uint8Array(PIECE), new Uint8Array(PIECE)];
    for (let n = 0; ; n++) {
      const bytes = pieces[n % 2];
      const count = readSync(file, bytes, 0, PIECE, null);
      if (count === 0) break;
      reader.push(bytes.subarray(0, count));
    }
    const { truncated } = reader.end();
    return { format: 'inlet-check-noise', version: 1, wav: format, truncated, ...meter!.reading() };
  } catch (problem) {
    if (problem instanceof WavError) refuse(problem.code, `${path}: ${problem.message}`);
    throw problem;
  }
}
