/** How the samples of a recording are written. */
export interface WavFormat {
  sampleRate: number;
  channels: number;
  /** Bits of one sample as it stands in the file. */
  bits: 16 | 24 | 32;
  kind: 'integer' | 'float';
  /** Frames that the file says it holds; absent where a recorder left that open. */
  frames?: number;
}

/** A file that cannot be read as a recording; the message says what it is and what would do. */
export class WavError extends Error {
  constructor(
    readonly code: 'not-wav' | 'no-format' | 'unsupported' | 'broken' | 'no-data' | 'empty',
    message: string,
  ) {
    super(message);
    this.name = 'WavError';
  }
}

const INTEGER = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;
/** Format tags by name, as registered. */
const COMPRESSED: Record<number, string> = {
  2: 'ADPCM',
  6: 'A-law',
  7: 'µ-law',
  17: 'IMA ADPCM',
  49: 'GSM',
  80: 'MPEG',
  85: 'MP3',
  255: 'AAC',
};
const WANTED = 'Save it as WAV with 16, 24 or 32-bit integer or 32-bit float samples.';

/** Reads the body of a `fmt ` chunk. @throws WavError for what is not supported, or says two things */
export function formatOf(body: DataView): WavFormat {
  if (body.byteLength < 16)
    throw new WavError('broken', `The format chunk has ${body.byteLength} bytes; it needs 16 at least. ${WANTED}`);
  const channels = body.getUint16(2, true);
  const sampleRate = body.getUint32(4, true);
  const align = body.getUint16(12, true);
  const bits = body.getUint16(14, true);
  const tag = tagOf(body);
  const kind = tag === INTEGER ? 'integer' : tag === FLOAT ? 'float' : undefined;
  if (!kind)
    throw new WavError('unsupported', `The samples are compressed (${COMPRESSED[tag] ?? `format ${tag}`}). ${WANTED}`);
  if (!(kind === 'float' ? bits === 32 : bits === 16 || bits === 24 || bits === 32))
    throw new WavError('unsupported', `The samples are ${bits}-bit ${kind}. ${WANTED}`);
  if (channels === 0 || sampleRate < 1000 || sampleRate > 768_000)
    throw new WavError('broken', `Broken header: ${channels} channels at ${sampleRate} Hz.`);
  if (align !== (channels * bits) / 8)
    throw new WavError(
      'broken',
      `The header contradicts itself: ${channels} channels of ${bits} bits do not take ${align} bytes a frame.`,
    );
  return { sampleRate, channels, bits: bits as 16 | 24 | 32, kind };
}

/** The format tag; an extensible format names it in its subformat. */
function tagOf(body: DataView): number {
  const tag = body.getUint16(0, true);
  return tag === EXTENSIBLE && body.byteLength >= 26 ? body.getUint16(24, true) : tag;
}

const MAGIC: [bytes: string, name: string][] = [
  ['ID3', 'an MP3'],
  ['\xff\xfb', 'an MP3'],
  ['fLaC', 'a FLAC'],
  ['OggS', 'an Ogg'],
  ['FORM', 'an AIFF'],
  ['caff', 'a CAF'],
  ['\x1aE\xdf\xa3', 'a WebM or Matroska'],
];

/** Says what a file is that is not a recording as WAV. */
export function notWav(start: Uint8Array): WavError {
  if (start.length === 0) return new WavError('empty', 'The file is empty. Record for some seconds and save it again.');
  const text = String.fromCharCode(...start.subarray(0, 12));
  const found =
    MAGIC.find(([bytes]) => text.startsWith(bytes))?.[1] ?? (text.slice(4, 8) === 'ftyp' ? 'an MP4' : undefined);
  return new WavError(
    'not-wav',
    `This is ${found ? `${found} file, whatever its name says` : 'not a WAV file'}. ${WANTED}`,
  );
}
