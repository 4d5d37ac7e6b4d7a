import type { Component } from '../components';
import type { Suspect } from './suspects';

/** What usually mends it, in the order it is tried (common practice). */
export function mendings(component: Component, culprits: readonly Suspect[], audioStays = false): string[] {
  if (culprits.length > 1) return [...LOOP];
  const alone = ofOne(component, culprits[0]);
  // With a desk that never was off it may be a loop of both.
  return audioStays && (component === 'hum' || component === 'buzz') && LOOPS.has(culprits[0].kind)
    ? [...new Set([...LOOP, ...alone])]
    : alone;
}

/** Kinds that are joined to a desk by a signal lead, and so may close a loop with it. */
export const LOOPS: ReadonlySet<Suspect['kind']> = new Set<Suspect['kind']>([
  'computer',
  'audio device',
  'loudspeaker',
  'display',
]);

function ofOne(component: Component, { kind, name }: Suspect): string[] {
  switch (kind) {
    case 'cable run':
    case 'transformer':
      return [...APART];
    case 'charger':
      return [
        `Plug ${name} into another strip: one strip for all audio, another for chargers, computers and lamps.`,
        'Charge before or after the take, or from a power bank.',
        'Use a supply with isolated outputs, or a better one.',
      ];
    case 'supply':
      return [
        'Use a supply with isolated outputs, one for each box.',
        'Move it off the strip of the audio.',
        'Replace it. If it hums with nothing plugged in, have it repaired.',
      ];
    case 'computer':
    case 'display':
      return [
        'Run it on its battery and listen again.',
        'Connect it balanced, through a direct box or an isolating transformer.',
        'Give it another port, a supply with an isolated output, or another strip than the audio.',
      ];
    case 'lamp':
    case 'motor':
      return ['Give it another circuit than the audio, or switch it off while recording.', ...APART];
    case 'wireless':
      return [
        'Move it a metre from cables and inlets, or switch it off.',
        'Use cables whose shield is joined at both ends.',
      ];
    default:
      return component === 'hum' || component === 'buzz'
        ? [
            'One outlet strip for all audio.',
            'Balanced leads.',
            'If it hums alone, with nothing plugged in: the repair shop.',
          ]
        : ['If it does so alone, with nothing plugged in: the repair shop.'];
  }
}

const APART = [
  'Move the cable off the transformer or mains lead.',
  'Keep 30 cm (a foot) apart where they run side by side.',
  'Cross at right angles.',
  'Balanced leads.',
] as const;

const LOOP = [
  'Put them on one outlet strip.',
  'Connect them balanced, or through an isolating transformer or direct box.',
  'Use a cable with its shield lifted at the receiving end. Never touch the mains earths. Not on a line that carries phantom.',
  'Run one of them on its battery or on a supply with an isolated output.',
] as const;

/** Stands wherever mendings do. */
export const CAUTIONS = [
  'Never lift the protective earth: a plug or adapter that removes it can kill.',
  'Fixed wiring is work for a licensed electrician, under the local code.',
] as const;
