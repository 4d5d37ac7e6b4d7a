/**
 * Runs something once: after so many milliseconds, or as soon as somebody comes back to this tab or the network is there
 * again. A browser lets a tab that nobody looks at wait a minute.
 * @returns how to call it off
 */
export function retryAfter(milliseconds: number, run: () => void): () => void {
  const stop = () => {
    clearTimeout(timer);
    window.removeEventListener('focus', go);
    window.removeEventListener('online', go);
    document.removeEventListener('visibilitychange', seen);
  };
  const go = () => {
    stop();
    run();
  };
  const seen = () => {
    if (!document.hidden) go();
  };
  const timer = setTimeout(go, milliseconds);
  window.addEventListener('focus', go);
  window.addEventListener('online', go);
  document.addEventListener('visibilitychange', seen);
  return stop;
}
