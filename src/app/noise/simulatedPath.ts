interface Wanted {
  seconds: number;
  gain?: number;
  rung?: string;
  faults?: readonly string[];
  /** Units that are on. */
  on?: readonly string[];
  live?: boolean;
  seed?: string;
}

/** Where the simulated interface plays what a line would record. */
export function simulatedPath(rig: string, line: string, wanted: Wanted): string {
  const { seconds, gain, rung, faults, on, live, seed } = wanted;
  const query = new URLSearchParams({ line, seconds: String(seconds) });
  if (gain !== undefined) query.set('gain', String(gain));
  if (rung) query.set('rung', rung);
  if (faults?.length) query.set('faults', faults.join(','));
  if (on) query.set('on', on.join(','));
  if (live) query.set('live', 'true');
  if (seed) query.set('seed', seed);
  return `/api/rigs/${rig}/interface?${query}`;
}
