import { gathering } from './gather';
import { growingBytes, growingFloats } from './growing';

describe('samples that come in pieces', () => {
  const SAMPLES = Float32Array.from({ length: 1000 }, (_, n) => n);
  const worked = (size: number, kept: number, pieces: readonly number[]) => {
    const found: number[][] = [];
    const gathered = gathering(size, kept, (samples, from) => found.push([...samples.subarray(from, from + size)]));
    let at = 0;
    for (let n = 0; at < SAMPLES.length; n++) {
      const length = pieces[n % pieces.length];
      gathered.push(SAMPLES.subarray(at, at + length));
      at += length;
    }
    return { found, filled: gathered.filled() };
  };
  test.each([[[1000]], [[1]], [[64]], [[63]], [[65]], [[32]], [[7, 200, 1, 130]], [[500, 500]]])(
    'are worked on in the same parts, in pieces of %j',
    (pieces) => {
      for (const kept of [0, 16, 32, 63]) {
        const { found, filled } = worked(64, kept, pieces);
        const count = Math.floor((1000 - 64) / (64 - kept)) + 1;
        const parts = Array.from({ length: count }, (_, n) => SAMPLES.subarray(n * (64 - kept)).subarray(0, 64));
        expect(found).toEqual(parts.map((part) => [...part]));
        // What is left waits for more; what was worked on is kept for the next.
        expect(filled).toBe(1000 - count * (64 - kept));
      }
    },
  );
  test('fewer than are worked on wait', () => {
    const gathered = gathering(64, 0, () => {
      throw new Error('nothing is there yet');
    });
    gathered.push(SAMPLES.subarray(0, 40));
    gathered.push(SAMPLES.subarray(40, 63));
    expect(gathered.filled()).toBe(63);
    expect([...gathered.held.subarray(0, 63)]).toEqual([...SAMPLES.subarray(0, 63)]);
  });
});

test('numbers that come one after the other are all there, however many', () => {
  const [bytes, floats] = [growingBytes(), growingFloats()];
  for (let n = 0; n < 5000; n++) {
    bytes.push(n % 256);
    floats.push(n / 2);
    if (n === 1023 || n === 1024) expect(bytes.values()).toHaveLength(n + 1);
  }
  expect(bytes.count()).toBe(5000);
  expect(bytes.values()).toEqual(Uint8Array.from({ length: 5000 }, (_, n) => n % 256));
  expect(floats.values()).toEqual(Float32Array.from({ length: 5000 }, (_, n) => n / 2));
});
