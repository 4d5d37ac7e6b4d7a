import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { recordingMeter, WavError, wavReader, type RecordingMeter, type WavFormat } from '@/core/signal';

/** Bytes that are read at a time. */
const PIECE = 1 << 18;

/** Prints what a recording says as JSON: `npm run -s noise -- FILE.wav`. Reads in pieces; memory stays flat. */
function main(path: string | undefined): number {
  if (!path) {
    process.stderr.write('Usage: npm run -s noise -- FILE.wav\n');
    return 2;
  }
  let file: number;
  try {
    file = openSync(path, 'r');
  } catch (problem) {
    process.stderr.write(`${path} cannot be opened: ${(problem as Error).message}\n`);
    return 2;
  }
  try {
    if (fstatSync(file).isDirectory()) {
      process.stderr.write(`${path} is a folder; name a WAV file in it.\n`);
      return 2;
    }
    process.stdout.write(`${JSON.stringify(readingOf(file), null, 2)}\n`);
    return 0;
  } catch (problem) {
    if (!(problem instanceof WavError)) throw problem;
    process.stderr.write(`${path}: ${problem.message}\n`);
    return 2;
  } finally {
    closeSync(file);
  }
}

function readingOf(file: number): object {
  let format: WavFormat | undefined;
  let meter: RecordingMeter | undefined;
  const reader = wavReader({
    onFormat(found) {
      format = found;
      meter = recordingMeter(found.sampleRate, found.channels, found.frames);
    },
    onBlock: (block) => meter!.push(block),
  });
  for (;;) {
    // A fresh piece each time: the reader may keep the end of it.
    const bytes = new Uint8Array(PIECE);
    const count = readSync(file, bytes, 0, PIECE, null);
    if (count === 0) break;
    reader.push(bytes.subarray(0, count));
  }
  const { truncated } = reader.end();
  return { format: 'inlet-check-noise', version: 1, wav: format, truncated, ...meter!.reading() };
}

process.exitCode = main(process.argv[2]);
