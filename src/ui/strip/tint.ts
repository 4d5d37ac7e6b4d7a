import { TINTS } from '../theme';

/** The tints' voltages, each with the place of its tint. */
const STOPS = Object.keys(TINTS.light).map(Number);

/** Where a voltage of nothing or more lies among them; what is over the last one lies there. */
function place(volts: number): number {
  const above = STOPS.findIndex((stop) => stop >= volts);
  if (above < 1) return above === 0 ? 0 : STOPS.length - 1;
  const below = STOPS[above - 1];
  return above - 1 + (volts - below) / (STOPS[above] - below);
}

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

/** The thickness of a rail in pixels: as the root of its voltage, so that a few volts are seen too. */
export const thickness = (volts: number): number => 1.4 + 3 * Math.sqrt(Math.min(Math.max(volts, 0), 48) / 48);
