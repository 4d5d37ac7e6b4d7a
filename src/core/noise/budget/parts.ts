import { noiseDensity } from '../../circuit/noise';
import { magnitude, sweep } from '../../circuit';
import type { Solved } from '../../check/solve';
import { inletKind, inletReader, lowCutOf, padOf, reader, sourceKind, type PartRef } from '../../gear';
import { noiseDensityOf } from '../../gear/shared';
import { ratio, type Decibels } from '../../units';
import { highPass } from '../../signal/measure/weighting';
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
  /** How far it may be off either way, where it is computed from typical figures. */
  within?: Decibels;
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
    const sensitivity = (source.value('sensitivity') / ratio(padOf(kind, line.source))) ** 2;
    const cut = cutAt(lowCutOf(kind, line.source));
    add('room', 'source', (n) => sound[n] * sensitivity * way[n] * cut[n]);
    if ('selfNoise' in kind.figures) {
      // A pad lies behind the capsule: what it takes from the sound it does not take from the electronics.
      const own = whiteSound(source.value('selfNoise'));
      const open = source.value('sensitivity') ** 2;
      add('self-noise', 'source', (n) => own[n] * open * way[n]);
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
      // The stated EIN has the inlet's own resistors in it.
      if (part === 'inlet') continue;
      const amplifier = typeof part === 'number' && element.endsWith('.noise');
      add(amplifier ? 'amplifier of a link' : 'thermal', part, (n) => (n === step ? own : 0));
    }
  });

  const { amplifier, converter, doubt } = inletNoise(
    inletReader(inletKind(line.inlet.kind), line.inlet, circuit.junctions.at(-1)!.plug),
    gain,
  );
  add('preamplifier', 'inlet', () => amplifier / WIDTH);
  add('converter', 'inlet', () => converter / WIDTH);
  const [cut, behind] = (['lowCut', 'recorderLowCut'] as const).map((which) =>
    cutAt(lowCutOf(inletKind(line.inlet.kind), line.inlet, which)),
  );
  // The recorder’s lies behind the converter, the inlet’s before it.
  const heard = [...parts.values()].map((each) => ({
    ...each,
    density: each.density.map((value, n) => value * behind[n] * (each.kind === 'converter' ? 1 : cut[n])),
  }));
  return { parts: heard, ...(doubt && { doubt }) };
}

/** What a low cut lets through, one value a step of the band. */
const cutAt = (hertz: number | undefined): number[] => BAND.map(({ hz }) => highPass(hertz)(hz));

/** The part that an element of the circuit belongs to; links are counted from 0. */
function ownerOf(element: string): PartRef {
  const [, link] = /^link(\d+)\./.exec(element) ?? [];
  if (link !== undefined) return Number(link) - 1;
  return element.startsWith('source.') ? 'source' : 'inlet';
}
