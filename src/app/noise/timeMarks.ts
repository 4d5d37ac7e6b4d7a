import { scaleUtc } from 'd3';
import { timeInText } from '@/core/units/format';

/** Where a recording of so many seconds is marked, about as often as asked: at whole minutes where it is long. */
export function timeMarks(seconds: number, count: number): { at: number; text: string }[] {
  const marks = scaleUtc([0, 1000 * seconds], [0, 1])
    .ticks(count)
    .map((time) => +time / 1000);
  const places = marks.every(Number.isInteger) ? 0 : 1;
  return marks.map((at) => ({ at, text: timeInText(at, places) }));
}
