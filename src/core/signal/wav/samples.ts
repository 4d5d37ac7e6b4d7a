import type { WavFormat } from './format';

/** Samples of each channel, full scale being 1. */
export type Block = Float32Array[];

const LITTLE_ENDIAN = new Uint8Array(new Uint16Array([1]).buffer)[0] === 1;

type Decode = (view: DataView, at: number) => number;

const decoders: Record<string, Decode> = {
  'integer 16': (view, at) => view.getInt16(at, true) / 32_768,
  'integer 24': (view, at) =>
    (view.getUint8(at) | (view.getUint8(at + 1) << 8) | (view.getInt8(at + 2) << 16)) / 8_388_608,
  'integer 32': (view, at) => view.getInt32(at, true) / 2_147_483_648,
  'float 32': (view, at) => view.getFloat32(at, true),
};

/** Whole frames of bytes as samples. */
export function samplesOf({ kind, bits, channels }: WavFormat, bytes: Uint8Array): Block {
  const decode = decoders[`${kind} ${bits}`];
  const width = bits / 8;
  const frames = bytes.length / (width * channels);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  // What most recorders write is read as it lies, where it lies evenly and this machine's numbers are the file's way round.
  if (kind === 'integer' && bits === 16 && bytes.byteOffset % 2 === 0 && LITTLE_ENDIAN) {
    const values = new Int16Array(bytes.buffer, bytes.byteOffset, frames * channels);
    if (channels === 1) return [scaled(values)];
    return Array.from({ length: channels }, (_, channel) => {
      const samples = new Float32Array(frames);
      for (let n = 0, at = channel; n < frames; n++, at += channels) samples[n] = values[at] * (1 / 32_768);
      return samples;
    });
  }
  return Array.from({ length: channels }, (_, channel) => {
    const samples = new Float32Array(frames);
    let at = channel * width;
    for (let n = 0; n < frames; n++, at += width * channels) samples[n] = decode(view, at);
    return samples;
  });
}

function scaled(values: Int16Array): Float32Array {
  const samples = new Float32Array(values.length);
  for (let n = 0; n < values.length; n++) samples[n] = values[n] * (1 / 32_768);
  return samples;
}
