import type { Pffft } from '@echogarden/pffft-wasm/simd';
import { behindWindow, hann, type Transforms } from './transform';

const [REAL, FORWARD] = [0, 0];
const BYTES = 4;

/**
 * Power spectra by PFFFT, in single precision. Meters of one module share what they work in: one transform is done before
 * the next begins.
 */
export function pffftTransforms(pffft: Pffft): Transforms {
  const rooms = new Map<number, { setup: number; input: number; output: number; work: number }>();
  const roomFor = (length: number) => {
    const known = rooms.get(length);
    if (known) return known;
    const [input, output, work] = [0, 1, 2].map(() => pffft._pffft_aligned_malloc(length * BYTES));
    const room = { setup: pffft._pffft_new_setup(length, REAL), input, output, work };
    rooms.set(length, room);
    return room;
  };
  return (size, length) => {
    const { setup, input, output, work } = roomFor(length);
    const [into, out] = [input / BYTES, output / BYTES];
    const transform = () => pffft._pffft_transform_ordered(setup, input, output, work, FORWARD);
    // Memory that has grown is another array: it is asked for each time.
    if (size === length)
      return (samples, from, powers, scale) => {
        pffft.HEAPF32.set(samples.subarray(from, from + length), into);
        transform();
        hannSquares(pffft.HEAPF32, out, length / 2, powers, scale);
      };
    const window = hann(size);
    return (samples, from, powers, scale) => {
      pffft.HEAPF32.fill(0, into + size, into + length);
      behindWindow(samples, from, window, pffft.HEAPF32, into);
      transform();
      squares(pffft.HEAPF32, out, length / 2, powers, scale);
    };
  };
}

// An ordered spectrum has what is at half the rate where the imaginary part of what is constant would be.

function squares(spectrum: Float32Array, from: number, half: number, powers: Float32Array, scale: number): void {
  const count = Math.min(half, powers.length);
  powers[0] = scale * spectrum[from] * spectrum[from];
  for (let k = 1, at = from + 2; k < count; k++, at += 2)
    powers[k] = scale * (spectrum[at] * spectrum[at] + spectrum[at + 1] * spectrum[at + 1]);
  if (powers.length > half) powers[half] = scale * spectrum[from + 1] * spectrum[from + 1];
}

/**
 * The same behind a Hann window that is as long as the transform: each bin is half itself less a quarter of both its
 * neighbours, as the window is 1/2 − cos(2πn/N)/2. Quicker than to multiply every sample.
 */
function hannSquares(spectrum: Float32Array, from: number, half: number, powers: Float32Array, scale: number): void {
  const count = Math.min(half - 1, powers.length);
  const sixteenth = scale / 16;
  // The bin before, this one and the next.
  let re0 = spectrum[from];
  let im0 = 0;
  let re = spectrum[from + 2];
  let im = spectrum[from + 3];
  powers[0] = (scale / 4) * (re0 - re) * (re0 - re);
  for (let k = 1, at = from + 4; k < count; k++, at += 2) {
    const re2 = spectrum[at];
    const im2 = spectrum[at + 1];
    const real = 2 * re - re0 - re2;
    const imaginary = 2 * im - im0 - im2;
    powers[k] = sixteenth * (real * real + imaginary * imaginary);
    re0 = re;
    im0 = im;
    re = re2;
    im = im2;
  }
  const highest = spectrum[from + 1];
  if (powers.length > half - 1) {
    const [real, imaginary] = [2 * re - re0 - highest, 2 * im - im0];
    powers[half - 1] = sixteenth * (real * real + imaginary * imaginary);
  }
  if (powers.length > half) powers[half] = (scale / 4) * (highest - re) * (highest - re);
}
