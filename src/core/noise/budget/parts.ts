import { noiseDensity } from '../../circuit/noise';
import { magnitude, sweep } from '../../circuit';
import type { Solved } from '../../check/solve';
import { reader, sourceKind, inletKind, type PartRef } from '../../gear';
import { noiseDensityOf } from '../../gear/shared';
import type { Decibels } from '../../units';
import { BAND, WIDTH } from '../band';
import { inletNoise } from './amplifier';
import { roomDensity, whiteSound, type Room } from './sound';

/** What kind of noise a part of the budget is. */
export type NoiseKind =
  'room' | 'self-noise' | 'output noise' | 'thermal' | 'amplifier of a link' | 'preamplifier' | 'converter' | 'hum';

/** One contribution: white or not, V²/Hz at the inlet, one value a step of the band. */
export interface NoisePart {
  kind: NoiseKind;
  part: PartRef;
  density: Float64Array;
}

/** Everything that adds noise to a solved line at a gain, before anything is summed. */
export function noiseParts(solved: Solved, gain: Decibels, room: Room): { parts: NoisePart[]; doubt?: string } {
  const { line, circuit, point, signal } = solved;
  const { hot, cold } = circuit.channels[signal.best];
  const response = sweep(point, hot, cold);
  const way = BAND.map(({ hz }) => magnitude(response(hz)) ** 2);
  const parts = new Map<string, NoisePart>();
  const add = (kind: NoiseKind, part: PartRef, value: (step: number) => number) => {
    const key = `${kind} ${part}`;
    const { density } =
      parts.get(key) ?? parts.set(key, { kind, part, density: new Float64Array(BAND.length) }).get(key)!;
    for (let n = 0; n < density.length; n++) density[n] += value(n);
  };

  const kind = sourceKind(line.source.kind);
  const source = reader(kind, line.source);
  if (kind.level === 'sensitivity') {
    const sound = roomDensity(room);
    const sensitivity = source.value('sensitivity') ** 2;
    add('room', 'source', (n) => sound[n] * sensitivity * way[n]);
    if ('selfNoise' in kind.figures) {
      const own = whiteSound(source.value('selfNoise'));
      add('self-noise', 'source', (n) => own[n] * sensitivity * way[n]);
    }
  }
  if ('outputNoise' in kind.figures) {
    const own = noiseDensityOf(source.value('outputNoise'));
    add('output noise', 'source', (n) => own * way[n]);
  }

  // A stated noise of the source has its resistance in it.
  const stated = 'selfNoise' in kind.figures || 'outputNoise' in kind.figures;
  const density = noiseDensity(point, hot, cold);
  BAND.forEach(({ hz }, step) => {
    for (const { element, density: own } of density(hz).parts) {
      const part = ownerOf(element);
      if (part === 'source' && stated) continue;
      const amplifier = typeof part === 'number' && element.endsWith('.noise');
      add(amplifier ? 'amplifier of a link' : 'thermal', part, (n) => (n === step ? own : 0));
    }
  });

  const { amplifier, converter, doubt } = inletNoise(reader(inletKind(line.inlet.kind), line.inlet), gain);
  add('preamplifier', 'inlet', () => amplifier / WIDTH);
  add('converter', 'inlet', () => converter / WIDTH);
  return { parts: [...parts.values()], ...(doubt && { doubt }) };
}

/** The part that an element of the circuit belongs to; links are counted from 0. */
function ownerOf(element: string): PartRef {
  const [, link] = /^link(\d+)\./.exec(element) ?? [];
  if (link !== undefined) return Number(link) - 1;
  return element.startsWith('source.') ? 'source' : 'inlet';
}
