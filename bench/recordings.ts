import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import loadPffft from '@echogarden/pffft-wasm/simd';
import { pffftTransforms, recordingMeter, wavReader, type RecordingMeter } from '@/core/signal';

const RATE = 48_000;
const SECONDS = 120;

/** Sixteen-bit noise with hum, as bytes of a mono WAV. */
function recording(seconds: number): Buffer {
  const frames = seconds * RATE;
  const file = Buffer.alloc(44 + 2 * frames);
  file.write('RIFF', 0);
  file.writeUInt32LE(36 + 2 * frames, 4);
  file.write('WAVEfmt ', 8);
  file.writeUInt32LE(16, 16);
  file.writeUInt16LE(1, 20);
  file.writeUInt16LE(1, 22);
  file.writeUInt32LE(RATE, 24);
  file.writeUInt32LE(2 * RATE, 28);
  file.writeUInt16LE(2, 32);
  file.writeUInt16LE(16, 34);
  file.write('data', 36);
  file.writeUInt32LE(2 * frames, 40);
  for (let n = 0, state = 1; n < frames; n++) {
    state = (state * 16807) % 2147483647;
    file.writeInt16LE(
      Math.round((state / 2147483647 - 0.5) * 60 + 20 * Math.sin((2 * Math.PI * 50 * n) / RATE)),
      44 + 2 * n,
    );
  }
  return file;
}

const transforms = pffftTransforms(await loadPffft());

/** Seconds that a whole analysis takes, from bytes to reading. */
function analysed(file: Uint8Array): number {
  const start = performance.now();
  let meter: RecordingMeter | undefined;
  const reader = wavReader({
    onFormat: ({ sampleRate, channels, frames }) => (meter = recordingMeter(sampleRate, channels, frames, transforms)),
    onBlock: (block) => meter!.push(block),
  });
  for (let at = 0; at < file.length; at += 1 << 18) reader.push(file.subarray(at, at + (1 << 18)));
  reader.end();
  meter!.reading();
  return (performance.now() - start) / 1000;
}

/** How many times real time a recording is analysed at, and how long `sox` takes for its few figures, if it is there. */
export function recordings(): void {
  console.log('\nA recording, mono, 48 kHz, 16 bits\n');
  const file = recording(SECONDS);
  analysed(file);
  const times = Array.from({ length: 5 }, () => analysed(file)).sort((a, b) => a - b);
  console.log(
    `${SECONDS} s analysed: middle ${(SECONDS / times[2]).toFixed(0)} times real time, slowest ${(SECONDS / times[4]).toFixed(0)} (aim: 200)`,
  );
  const folder = mkdtempSync(join(tmpdir(), 'inlet-check-bench-'));
  try {
    const path = join(folder, 'bench.wav');
    const handle = openSync(path, 'w');
    writeSync(handle, file);
    closeSync(handle);
    const start = performance.now();
    execFileSync('sox', [path, '-n', 'stats'], { stdio: 'ignore' });
    const theirs = (performance.now() - start) / 1000;
    console.log(
      `sox, peak and RMS alone: ${(SECONDS / theirs).toFixed(0)} times real time, ${(times[2] / theirs).toFixed(1)} times as quick`,
    );
  } catch {
    console.log('sox is not installed: nothing to compare with');
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Bytes of samples that fill a file of 2 GiB, in pieces of ten seconds. */
const ENORMOUS = 2 ** 31 - 2 * 960_000;

/** The terminal on a file of 2 GiB: times real time, from start to answer, and the most memory it ever had. */
export async function enormousRecording(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'inlet-check-bench-'));
  try {
    const path = join(folder, 'enormous.wav');
    const [head, body] = [recording(10).subarray(0, 44), recording(10).subarray(44)];
    const pieces = Math.floor(ENORMOUS / body.length);
    head.writeUInt32LE(36 + pieces * body.length, 4);
    head.writeUInt32LE(pieces * body.length, 40);
    const handle = openSync(path, 'w');
    writeSync(handle, head);
    for (let n = 0; n < pieces; n++) writeSync(handle, body);
    closeSync(handle);
    const start = performance.now();
    const child = spawn(process.execPath, ['--import', 'tsx', 'src/cli/noise.ts', path], {
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    let most = 0;
    const look = setInterval(() => {
      try {
        const [, kilobytes] = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8')) ?? [];
        most = Math.max(most, Number(kilobytes ?? 0));
      } catch {
        // It has ended meanwhile, or this is no Linux.
      }
    }, 100);
    const [code] = await once(child, 'exit');
    clearInterval(look);
    const seconds = (performance.now() - start) / 1000;
    console.log(
      `2 GiB in the terminal: ${((pieces * 10) / seconds).toFixed(0)} times real time (aim: 200), resident memory ${(most / 1024).toFixed(0)} MB at most (aim: below 250)${code === 0 ? '' : `, but it ended with ${code}`}`,
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}
