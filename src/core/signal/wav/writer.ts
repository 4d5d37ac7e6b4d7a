import type { Hertz } from '../../units';
import type { Block } from './samples';

/** Bytes of a sample that is written. */
const BYTES = 3;
const HEADER = 44;
/** What a stream without an end states as its size. */
const OPEN = 0xffffffff;

/** The head of a 24-bit WAV file. @param frames left out for a stream that has no end yet */
export function wavHead(sampleRate: Hertz, channels: number, frames?: number): Uint8Array {
  const bytes = new Uint8Array(HEADER);
  const view = new DataView(bytes.buffer);
  const text = (at: number, name: string) => [...name].forEach((letter, n) => (bytes[at + n] = letter.charCodeAt(0)));
  const size = frames === undefined ? OPEN : frames * channels * BYTES;
  text(0, 'RIFF');
  view.setUint32(4, frames === undefined ? OPEN : size + HEADER - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, sampleRate * channels * BYTES, true);
  view.setUint16(32, channels * BYTES, true);
  view.setUint16(34, 8 * BYTES, true);
  text(36, 'data');
  view.setUint32(40, size, true);
  return bytes;
}

/** Samples as 24-bit integers; what is beyond full scale is clipped. */
export function wavBody(block: Block): Uint8Array {
  const [{ length }] = block;
  const bytes = new Uint8Array(length * block.length * BYTES);
  let at = 0;
  for (let n = 0; n < length; n++)
    for (const samples of block) {
      const value = Math.max(-8_388_608, Math.min(8_388_607, Math.round(samples[n] * 8_388_608)));
      bytes[at++] = value & 0xff;
      bytes[at++] = (value >> 8) & 0xff;
      bytes[at++] = (value >> 16) & 0xff;
    }
  return bytes;
}
