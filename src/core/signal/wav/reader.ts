import { formatOf, notWav, WavError, type WavFormat } from './format';
import { samplesOf, type Block } from './samples';

/** What a reader tells while bytes come in. */
export interface WavListener {
  /** Once, before the first samples. */
  onFormat: (format: WavFormat) => void;
  /** Samples in pieces, as many times as it takes. */
  onBlock: (block: Block) => void;
}

export interface WavReader {
  /** Takes the next bytes of a file, as many as there are. @throws WavError */
  push: (bytes: Uint8Array) => void;
  /** @returns whether the file ended before it said it would @throws WavError for a file without samples */
  end: () => { truncated: boolean; frames: number };
}

/** A size that a recorder left open, or that `ds64` states instead. */
const OPEN = 0xffffffff;
const name = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/**
 * Reads a RIFF, RF64 or BW64 file in pieces of any size; no more of it is held than one frame and one header.
 * Chunks other than the format and the samples are passed over.
 */
export function wavReader({ onFormat, onBlock }: WavListener): WavReader {
  let pending: Uint8Array = new Uint8Array(0);
  let begun = false;
  let format: WavFormat | undefined;
  let longSize: number | undefined;
  /** Bytes of a chunk still to pass over, or of samples still to read. */
  let skip = 0;
  let data: number | undefined;
  let frames = 0;
  let finished = false;

  const take = (count: number): Uint8Array => {
    const taken = pending.subarray(0, count);
    pending = pending.subarray(count);
    return taken;
  };

  /** @returns whether something was read and more may be */
  const step = (): boolean => {
    if (!begun) {
      if (pending.length < 12) return false;
      if (!['RIFF', 'RF64', 'BW64'].includes(name(pending, 0)) || name(pending, 8) !== 'WAVE') throw notWav(pending);
      take(12);
      return (begun = true);
    }
    if (skip > 0) {
      skip -= take(Math.min(skip, pending.length)).length;
      return skip === 0;
    }
    return data === undefined ? chunk() : samples();
  };

  const chunk = (): boolean => {
    if (pending.length < 8) return false;
    const [id, size] = [name(pending, 0), viewOf(pending).getUint32(4, true)];
    if (id === 'data') {
      if (!format) throw new WavError('no-format', 'Broken file: audio before the format header.');
      take(8);
      data = size === OPEN || size === 0 ? (longSize ?? Infinity) : size;
      onFormat({ ...format, ...(Number.isFinite(data) && { frames: Math.floor(data / frameBytes(format)) }) });
      return true;
    }
    if (id === 'fmt ' || id === 'ds64') {
      if (size > 4096) throw new WavError('broken', `Broken file: its chunk “${id}” claims ${size} bytes.`);
      if (pending.length < 8 + size) return false;
      take(8);
      const body = viewOf(take(size));
      if (id === 'fmt ') format = formatOf(body);
      else if (size >= 16) longSize = Number(body.getBigUint64(8, true));
      skip = size % 2;
      return true;
    }
    take(8);
    skip = size + (size % 2);
    return true;
  };

  const samples = (): boolean => {
    if (finished || !format) return false;
    const width = frameBytes(format);
    const whole = Math.floor(Math.min(pending.length, data!) / width) * width;
    if (whole === 0) {
      finished = data! < width;
      return false;
    }
    const block = samplesOf(format, take(whole));
    data! -= whole;
    frames += block[0].length;
    onBlock(block);
    return true;
  };

  return {
    push(bytes) {
      // What comes after the samples is nobody's concern.
      if (finished) return;
      pending = pending.length ? joined(pending, bytes) : bytes;
      while (step());
    },
    end() {
      if (!begun) throw notWav(pending);
      if (data === undefined)
        throw new WavError(
          'no-data',
          `The file ends before any samples; ${format ? 'only its header' : 'nothing'} is there.`,
        );
      if (frames === 0)
        throw new WavError('empty', 'The recording holds no samples. Record for some seconds and save it again.');
      return { truncated: Number.isFinite(data) && data >= frameBytes(format!), frames };
    },
  };
}

const frameBytes = ({ channels, bits }: WavFormat): number => (channels * bits) / 8;

function joined(a: Uint8Array, b: Uint8Array): Uint8Array {
  const both = new Uint8Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
}
