import type { WavFormat } from './format';

/** Samples of each channel, full scale being 1. */
export type Block = Float32Array[];

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
  return Array.from({ length: channels }, (_, channel) => {
    const samples = new Float32Array(frames);
    let at = channel * width;
    for (let n = 0; n < frames; n++, at += width * channels) samples[n] = decode(view, at);
    return samples;
  });
}
