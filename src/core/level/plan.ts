import { dbu, decibels, pascal, ratio, type DbSpl, type Dbfs, type Dbu, type Decibels, type Volts } from '../units';
import type { LevelFrom, Reader } from '../gear';
import { fromDbu } from '../units';

/** How the loudest expected sound arrives, and what the inlet makes of it. */
export interface LevelPlan {
  /** Open-circuit peak level of the source, as the level of a sine with that peak. */
  source: Dbu;
  inlet: Dbu;
  target: Dbfs;
  gainNeeded: Decibels;
  gainMin: Decibels;
  gainMax: Decibels;
  /** Where the peak lands with as much gain as needed and possible. */
  reaches: Dbfs;
  /** How far the expected sound stays below the loudest the source takes; undefined for sources without such a figure. */
  sourceMargin?: Decibels;
}

/**
 * The loudest sound expected at the microphone: as stated, or brought from the distance it was measured at to the
 * microphone's own. Twice as far is 6 dB less in the open (inverse distance law); rooms differ.
 */
function soundLevel(read: Reader): DbSpl {
  const [from, to] = [read.optional('measuredAt'), read.optional('distance')];
  return read.value('loudness') - (from && to ? decibels(to / from) : 0);
}

/** Open-circuit level of a source at its loudest expected sound, in volts RMS. */
export function sourceVolts(from: LevelFrom, unit: string | undefined, read: Reader, pad: Decibels = 0): Volts {
  if (from === 'sensitivity') return (read.value('sensitivity') * pascal(soundLevel(read))) / ratio(pad);
  // A pickup’s sheet states the peak, in volts here; a level in dBu is that of a sine.
  return unit === 'dBu' ? fromDbu(read.value('outputLevel')) : read.value('outputLevel') * Math.SQRT1_2;
}

/**
 * Plans the gain of a line.
 * @param lineGain what the circuit makes of an open-circuit volt at 1 kHz, as a ratio above 0
 * @param levelUnit unit of the source's `outputLevel`, if it has one
 */
export function levelPlan(
  source: { from: LevelFrom; levelUnit?: string; read: Reader; pad?: Decibels },
  inlet: Reader,
  lineGain: number,
  target: Dbfs,
): LevelPlan {
  const volts = sourceVolts(source.from, source.levelUnit, source.read, source.pad);
  const arriving = dbu(volts * lineGain);
  const [gainMin, gainMax] = [inlet.value('gainMin'), inlet.value('gainMax')];
  const atNoGain = arriving - inlet.value('fullScale');
  const gainNeeded = target - atNoGain;
  return {
    source: dbu(volts),
    inlet: arriving,
    target,
    gainNeeded,
    gainMin,
    gainMax,
    reaches: atNoGain + Math.min(Math.max(gainNeeded, gainMin), gainMax),
    sourceMargin:
      source.from === 'sensitivity'
        ? source.read.value('loudest') + (source.pad ?? 0) - soundLevel(source.read)
        : undefined,
  };
}
