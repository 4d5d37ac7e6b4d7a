/** What the tab that listens tells the others. */
type Heard = { data: string } | { link: Link } | { ask: true };
export type Link = 'in step' | 'lost';

/** How long a tab believes that another one listens without hearing of it, in milliseconds: the server says something every ten seconds. */
const PATIENCE = 25_000;

interface Listener {
  onData: (data: string) => void;
  onLink: (link: Link) => void;
}

/**
 * Listens to a stream of server-sent events that all tabs of this browser share: one of them has the connection, by a lock
 * that goes to the next when it is closed or frozen, and tells the others. Where a browser has no locks each tab listens
 * for itself.
 * @returns how to stop
 */
export function shareEvents(path: string, listener: Listener): () => void {
  if (!navigator.locks || typeof BroadcastChannel === 'undefined') return listen(path, listener);
  const name = `inlet-check ${path}`;
  const channel = new BroadcastChannel(name);
  const stopping = new AbortController();
  let leading = false;
  let last: { data?: string; link?: Link } = {};
  let silent: ReturnType<typeof setTimeout>;

  const hear = (heard: Heard) => {
    last = { ...last, ...heard };
    if ('data' in heard) {
      if (heard.data) listener.onData(heard.data);
    } else if ('link' in heard) listener.onLink(heard.link);
    expect();
  };
  /** A tab that was frozen holds its lock and says nothing: whoever is looked at takes over. */
  const expect = () => {
    clearTimeout(silent);
    silent = setTimeout(() => {
      if (!leading && !document.hidden) lead({ steal: true });
      expect();
    }, PATIENCE);
  };
  channel.onmessage = ({ data: heard }: MessageEvent<Heard>) => {
    if (!('ask' in heard)) return hear(heard);
    if (!leading) return;
    if (last.link) channel.postMessage({ link: last.link } satisfies Heard);
    if (last.data) channel.postMessage({ data: last.data } satisfies Heard);
  };

  const lead = (how: LockOptions) => {
    const granted = async () => {
      leading = true;
      const tell = (heard: Heard) => {
        channel.postMessage(heard);
        hear(heard);
      };
      const stop = listen(path, { onData: (data) => tell({ data }), onLink: (link) => tell({ link }) }, () =>
        tell({ data: '' }),
      );
      stopListening = stop;
      await new Promise<void>((resolve) => stopping.signal.addEventListener('abort', () => resolve()));
      stop();
    };
    navigator.locks.request(name, how, granted).catch(() => {
      // Another tab has taken over, or this one is being closed.
      stopListening();
      leading = false;
      if (!stopping.signal.aborted) lead({ signal: stopping.signal });
    });
  };
  let stopListening = () => {};
  lead({ signal: stopping.signal });
  channel.postMessage({ ask: true } satisfies Heard);
  expect();
  return () => {
    clearTimeout(silent);
    stopping.abort();
    stopListening();
    channel.close();
  };
}

/** One connection of this tab's own. @param onAlive told that it lives, where nothing else is to be said */
function listen(path: string, { onData, onLink }: Listener, onAlive = () => {}): () => void {
  const events = new EventSource(path);
  events.onopen = () => onLink('in step');
  events.onerror = () => onLink('lost');
  events.onmessage = ({ data }: MessageEvent<string>) => onData(data);
  events.addEventListener('alive', onAlive);
  return () => events.close();
}
