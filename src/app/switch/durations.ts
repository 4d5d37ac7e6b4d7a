/** Seconds as a clock: `0:42`, `10:00`. Rounded up, so that nothing is over before it is. */
export function clockText(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds - 1e-6));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** How long ago in a few words: `42 s`, `3 min`, `2 h`. */
export function agoText(seconds: number): string {
  if (seconds < 100) return `${Math.max(0, Math.round(seconds))} s`;
  if (seconds < 6000) return `${Math.round(seconds / 60)} min`;
  return `${Math.round(seconds / 3600)} h`;
}

/** A wait's figure: `6.6 s`, `60 s`. */
export const secondsText = (seconds: number): string =>
  `${seconds < 9.95 ? seconds.toFixed(1).replace('.0', '') : Math.round(seconds)} s`;
