/** Names by which this server is called on its own machine. */
const OWN = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Whether a request calls this server by a name of its own, and not by one that somebody else let point here (DNS
 * rebinding). Further names, for a reverse proxy, stand in INLET_CHECK_HOSTS with commas between them.
 * @param host the Host header
 */
export function isOwnHost(host: string | null): boolean {
  const name = host?.replace(/:\d+$/, '').toLowerCase();
  return Boolean(name) && (OWN.has(name!) || (process.env.INLET_CHECK_HOSTS ?? '').split(',').includes(name!));
}

/** What whoever calls it by another name is told. */
export const FOREIGN_HOST =
  'This server answers to 127.0.0.1 and localhost only. Open it by one of these, or name the other one in INLET_CHECK_HOSTS.';
