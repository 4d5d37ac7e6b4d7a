import type { Contribution, NoiseBudget } from '@/core/noise/budget';
import { kindAt, type PartRef } from '@/core/gear';
import { rigPath, type RigDocument } from '@/core/rig';
import { names as text } from './texts';

/** What people call a part of a line: the name it was given, else its kind. */
export function partNames(document: RigDocument, line: string): (part: PartRef) => string {
  const path = rigPath(document, line)?.line;
  return (ref) => {
    const part = path && (typeof ref === 'number' ? path.links[ref] : path[ref]);
    return part ? part.name?.trim() || kindAt(ref, part.kind).label : '';
  };
}

const KINDS: Record<Contribution['kind'], string> = {
  room: text.room,
  'self-noise': text.selfNoise,
  'output noise': text.noiseOfTheSource,
  thermal: text.resistance,
  'amplifier of a link': text.amplifier,
  preamplifier: text.preamplifier,
  converter: text.converter,
  hum: text.hum,
};

/** A part of a budget in words: what kind of noise, and whose. */
export function contributionName({ kind, part, within }: Contribution, nameOf: (part: PartRef) => string): string {
  if (within !== undefined) return text.calculatedDb(KINDS[kind], within);
  if (kind === 'room' || kind === 'hum') return KINDS[kind];
  if (kind === 'thermal' && part === 'inlet') return text.resistorsOfTheInlet;
  return `${KINDS[kind]} · ${nameOf(part)}`;
}

/** What the most that a floor may be comes from: hum that is calculated, else rumble that nobody has stated. */
export const mostBy = ({ parts }: Pick<NoiseBudget, 'parts'>): string =>
  parts.some(({ within }) => within !== undefined) ? text.atWorst : text.withRumble;
