import { scaleLinear, scaleSqrt } from 'd3';
import { TINTS } from '../theme';

/** The tints' voltages, each with the place of its tint. */
const STOPS = Object.keys(TINTS.light).map(Number);
const place = scaleLinear()
  .domain(STOPS)
  .range(STOPS.map((_, n) => n))
  .clamp(true);

/**
 * The tint of a rail at a direct voltage, between those of the theme that is shown; null is a rail that floats.
 * Left to the style sheet: what the server has drawn is right in either theme.
 */
export function tint(volts: number | null): string {
  const at = place(Math.abs(volts ?? 0));
  const below = Math.floor(at);
  const share = Math.round((at - below) * 100);
  return share === 0 ? variable(below) : `color-mix(in srgb, ${variable(below)}, ${variable(below + 1)} ${share}%)`;
}

const variable = (n: number): string => `var(--mui-palette-tint-${STOPS[n]})`;

/** The thickness of a rail in pixels. */
export const thickness = scaleSqrt<number>().domain([0, 48]).range([1.4, 4.4]).clamp(true);
