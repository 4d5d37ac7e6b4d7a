import { recordingMeter, type RecordingReading, type Transforms } from '../../src/core/signal';

/** Samples of a piece, as a file comes. */
const PIECE = 65_536;

/** What a recording says, its channels given as samples. */
export function readRecording(rate: number, ...channels: ArrayLike<number>[]): RecordingReading {
  return readBy(undefined, rate, ...channels);
}

/** The same by other transforms. */
export function readBy(
  transforms: Transforms | undefined,
  rate: number,
  ...channels: ArrayLike<number>[]
): RecordingReading {
  const samples = channels.map((channel) => Float32Array.from(channel));
  const meter = recordingMeter(rate, channels.length, samples[0].length, transforms);
  for (let at = 0; at < samples[0].length; at += PIECE)
    meter.push(samples.map((channel) => channel.subarray(at, at + PIECE)));
  return meter.reading();
}
