import { WaveFile } from 'wavefile';
import { sine } from '../../../../tests/signals';
import { WavError, wavReader, type Block, type WavFormat } from '.';

/** Reads a file in pieces of a size; samples of each channel, the format, how it ended. */
function read(bytes: Uint8Array, piece = bytes.length || 1) {
  let format: WavFormat | undefined;
  const blocks: Block[] = [];
  const reader = wavReader({ onFormat: (found) => (format = found), onBlock: (block) => blocks.push(block) });
  for (let at = 0; at < bytes.length; at += piece) reader.push(bytes.slice(at, at + piece));
  const end = reader.end();
  const channels = Array.from({ length: format!.channels }, (_, n) => blocks.flatMap((block) => [...block[n]]));
  return { format: format!, channels, ...end };
}
const refusal = (bytes: Uint8Array) => {
  try {
    read(bytes);
  } catch (problem) {
    if (problem instanceof WavError) return problem;
    throw problem;
  }
  throw new Error('was read');
};

const LEFT = sine(1000, 440, 0.5);
const RIGHT = sine(1000, 997, 0.25);
/** Written by another library, which knows nothing of this reader. */
function written(depth: string, channels: Float32Array[], container = 'RIFF'): Uint8Array {
  const full: Record<string, number> = { '16': 32_768, '24': 8_388_608, '32': 2_147_483_648, '32f': 1 };
  const wav = new WaveFile();
  const samples = channels.map((signal) =>
    Array.from(signal, (x) => (depth === '32f' ? x : Math.round(x * full[depth]))),
  );
  wav.fromScratch(channels.length, 48_000, depth, samples.length === 1 ? samples[0] : samples, { container });
  return wav.toBuffer();
}

describe.each([1, 2, 6])('%d channels', (count) => {
  const signals = Array.from({ length: count }, (_, n) => (n % 2 ? RIGHT : LEFT));
  test.each(['16', '24', '32', '32f'])('%s bits, whole and in pieces of seven bytes', (depth) => {
    const file = written(depth, signals);
    const { format, channels, frames, truncated } = read(file);
    expect(format).toMatchObject({ sampleRate: 48_000, channels: count, frames: 1000 });
    expect([frames, truncated]).toEqual([1000, false]);
    channels.forEach((samples, n) => {
      const worst = samples.reduce((most, x, k) => Math.max(most, Math.abs(x - signals[n][k])), 0);
      expect(worst).toBeLessThan(depth === '16' ? 2e-5 : 1e-6);
    });
    expect(read(file, 7).channels).toEqual(channels);
  });
});

test('RF64, and a file whose recorder left its size open', () => {
  expect(read(written('24', [LEFT], 'RF64')).frames).toBe(1000);
  const open = written('16', [LEFT]);
  const view = new DataView(open.buffer, open.byteOffset);
  const at = Buffer.from(open).indexOf('data');
  view.setUint32(at + 4, 0xffffffff, true);
  expect(read(open)).toMatchObject({ frames: 1000, truncated: false });
  expect(read(open).format.frames).toBeUndefined();
});

test('BW64 with a size that only ds64 holds', () => {
  const plain = Buffer.from(written('16', [LEFT]));
  const ds64 = Buffer.alloc(36);
  ds64.write('ds64', 0);
  ds64.writeUInt32LE(28, 4);
  ds64.writeBigUInt64LE(2000n, 16);
  const data = plain.indexOf('data');
  plain.write('BW64', 0);
  plain.writeUInt32LE(0xffffffff, 4);
  plain.writeUInt32LE(0xffffffff, data + 4);
  const file = Buffer.concat([plain.subarray(0, 12), ds64, plain.subarray(12)]);
  expect(read(file)).toMatchObject({ frames: 1000, truncated: false, format: { frames: 1000 } });
});

test('chunks of others are passed over, whatever stands behind the samples too', () => {
  const plain = Buffer.from(written('16', [LEFT]));
  const odd = Buffer.from('LIST\x05\0\0\0abcde\0', 'latin1');
  const behind = Buffer.from('id3 \x04\0\0\0data', 'latin1');
  const file = Buffer.concat([plain.subarray(0, 12), odd, plain.subarray(12), behind]);
  expect(read(file, 3)).toMatchObject({ frames: 1000, truncated: false });
});

test('a file that ends too early is read as far as it goes, and says so', () => {
  const file = written('24', [LEFT, RIGHT]);
  const cut = read(file.slice(0, file.length - 100));
  expect(cut.truncated).toBe(true);
  expect(cut.frames).toBe(Math.floor((6000 - 100) / 6));
});

test.each<[string, string, RegExp, (wav: Buffer) => Uint8Array]>([
  ['nothing', 'empty', /^The file is empty/, () => new Uint8Array(0)],
  [
    'text',
    'not-wav',
    /^This is not a WAV file\. Save it as WAV/,
    () => Buffer.from('Dear engineer, the file is attached'),
  ],
  [
    'an MP3 called WAV',
    'not-wav',
    /^This is an MP3 file, whatever its name says/,
    () => Buffer.from('ID3\x04\0\0\0\0\0\0\0\0\0'),
  ],
  ['a FLAC', 'not-wav', /a FLAC file/, () => Buffer.from('fLaC\0\0\0\x22aaaaaaaaaaaa')],
  [
    'eight bits',
    'unsupported',
    /8-bit integer\. Save it/,
    (wav) => changed(wav, (view, fmt) => (view.setUint16(fmt + 14, 8, true), view.setUint16(fmt + 12, 1, true))),
  ],
  [
    'compressed',
    'unsupported',
    /compressed \(µ-law\)/,
    (wav) => changed(wav, (view, fmt) => view.setUint16(fmt, 7, true)),
  ],
  [
    'no channels',
    'broken',
    /0 channels at 48000 Hz/,
    (wav) => changed(wav, (view, fmt) => view.setUint16(fmt + 2, 0, true)),
  ],
  [
    'a frame that does not fit',
    'broken',
    /contradicts itself: 1 channels of 16 bits do not take 9 bytes/,
    (wav) => changed(wav, (view, fmt) => view.setUint16(fmt + 12, 9, true)),
  ],
  ['only a header', 'no-data', /only its header is there/, (wav) => wav.subarray(0, wav.indexOf('data'))],
  ['no samples', 'empty', /holds no samples/, (wav) => wav.subarray(0, wav.indexOf('data') + 8)],
  [
    'samples before their format',
    'no-format',
    /audio before the format header/,
    (wav) => Buffer.concat([wav.subarray(0, 12), wav.subarray(wav.indexOf('data'))]),
  ],
  [
    'a header that lies about its length',
    'broken',
    /claims 99999 bytes/,
    (wav) => changed(wav, (view, fmt) => view.setUint32(fmt - 4, 99_999, true)),
  ],
])('%s: a clear answer', (_, code, message, make) =>
  expect(refusal(make(Buffer.from(written('16', [LEFT]))))).toMatchObject({
    code,
    message: expect.stringMatching(message),
  }),
);

/** A file with its format chunk changed; positions count from the chunk's body. */
function changed(wav: Buffer, change: (view: DataView, fmt: number) => unknown): Uint8Array {
  change(new DataView(wav.buffer, wav.byteOffset), wav.indexOf('fmt ') + 8);
  return wav;
}
