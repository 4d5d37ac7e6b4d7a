import type { Measurement } from '../measurement';

/** Most points that a step of a hunt keeps of its spectrum. */
export const MOST_POINTS = 160;

/** The spectrum of a measurement as a step of a hunt keeps it: of neighbours the louder, so that no tone is lost. */
export function stepSpectrum({ spectrum }: Pick<Measurement, 'spectrum'>): Measurement['spectrum'] {
  const per = Math.max(1, Math.ceil(spectrum.length / MOST_POINTS));
  return Array.from({ length: Math.ceil(spectrum.length / per) }, (_, n) =>
    spectrum.slice(n * per, (n + 1) * per).reduce((most, each) => (each.level > most.level ? each : most)),
  );
}
