import { ask as text } from './texts';
/** What a route handler answered: its body, or why there is none in words that can be shown. */
export interface Asked<T> {
  body?: T;
  failed?: string;
  /** Of the answer; none where none came. */
  status?: number;
  /** The number of what was answered, where it has one. */
  etag?: string;
  /** What a refusal said besides. */
  error?: { code: string; message: string } & Record<string, unknown>;
}

/** Largest body that a browser sends on while its page is closed, in bytes: 64 KiB for all of them together (Fetch standard, from memory). */
const GOES_ON = 60 * 1024;

export interface Asking {
  method?: string;
  json?: unknown;
  blob?: Blob;
  headers?: Record<string, string>;
  signal?: AbortSignal;
  /** Sent on though the page is being closed, where a browser takes so much. */
  goesOn?: boolean;
}

/** Asks this application's own server. Never throws. */
export async function ask<T>(path: string, options: Asking = {}): Promise<Asked<T>> {
  const body = options.blob ?? (options.json === undefined ? undefined : JSON.stringify(options.json));
  try {
    const response = await fetch(path, {
      method: options.method ?? 'GET',
      signal: options.signal,
      headers: {
        ...options.headers,
        ...(options.blob && { 'content-type': options.blob.type }),
        ...(options.json !== undefined && { 'content-type': 'application/json' }),
      },
      body,
      keepalive: options.goesOn && body !== undefined && new Blob([body]).size <= GOES_ON,
    });
    const answer = await response.json();
    const { status } = response;
    if (response.ok) return { body: answer as T, status, etag: response.headers.get('etag') ?? undefined };
    const { error } = answer as { error: NonNullable<Asked<T>['error']> & { path?: string } };
    return { failed: error.path ? `${error.path}: ${error.message}` : error.message, status, error };
  } catch {
    return { failed: text.noConnectionTryAgainWhen };
  }
}
