/** Tells once when nothing was heard for so many milliseconds. */
export function silenceAfter(limit: number, onSilent: () => void): { heard: () => void; stop: () => void } {
  let timer = setTimeout(onSilent, limit);
  return {
    heard: () => {
      clearTimeout(timer);
      timer = setTimeout(onSilent, limit);
    },
    stop: () => clearTimeout(timer),
  };
}
