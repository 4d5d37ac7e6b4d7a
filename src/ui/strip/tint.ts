import { scaleLinear, scaleSqrt } from 'd3';

/** Stops from nothing to 48 V, for each scheme: pale steel, straw, amber, vermilion. */
const STOPS = [0, 3, 12, 24, 48];
const TINTS = {
  light: ['#9aa1a6', '#a8956a', '#b57b2c', '#bf5f1a', '#b0320f'],
  dark: ['#6d757c', '#9c8c63', '#cfa04a', '#ee9a4d', '#ff7d58'],
};

const scales = {
  light: scaleLinear<string>().domain(STOPS).range(TINTS.light).clamp(true),
  dark: scaleLinear<string>().domain(STOPS).range(TINTS.dark).clamp(true),
};

/** The tint of a rail at a direct voltage; undefined is a rail that floats. */
export const tint = (volts: number | null, scheme: 'light' | 'dark'): string => scales[scheme](Math.abs(volts ?? 0));

/** The thickness of a rail in pixels. */
export const thickness = scaleSqrt<number>().domain([0, 48]).range([1.4, 4.4]).clamp(true);
