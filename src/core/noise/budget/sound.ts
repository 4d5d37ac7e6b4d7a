import { aWeight } from '../../signal/measure/weighting';
import { pascal, type DbSpl, type Hertz } from '../../units';
import { BAND, integral } from '../band';

/** Noise of a room: one figure in dB(A), or the level of some octaves; an octave that nobody states counts as silent. */
export type Room = { level: DbSpl } | { bands: readonly { hz: Hertz; level: DbSpl }[] };

/** What a room is taken to have where nobody says: a quiet room with people in it (assumed). */
export const ASSUMED_ROOM: Room = { level: 30 };

/** Octave levels of rooms fall by 5 dB an octave (the neutral shape of the room criteria curves of ANSI S12.2, from memory). */
const FALL = 5;

/** Pa²/Hz, one value a step of the band. */
export function roomDensity(room: Room): number[] {
  if ('bands' in room)
    return BAND.map(({ hz }) => {
      const band = room.bands.find(({ hz: middle }) => hz >= middle * Math.SQRT1_2 && hz < middle * Math.SQRT2);
      return band ? pascal(band.level) ** 2 / (band.hz * Math.SQRT1_2) : 0;
    });
  return scaled(
    BAND.map(({ hz }) => hz ** -(1 + FALL / 3.0103)),
    pascal(room.level) ** 2,
  );
}

/** Self-noise as if it were sound: white, of a level in dB(A). In Pa²/Hz. */
export const whiteSound = (level: DbSpl): number[] =>
  scaled(
    BAND.map(() => 1),
    pascal(level) ** 2,
  );

/** A shape brought to an A-weighted mean square. */
function scaled(shape: readonly number[], power: number): number[] {
  const factor = power / integral(shape, aWeight);
  return shape.map((value) => value * factor);
}
