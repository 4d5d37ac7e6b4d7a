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

/** Asks this application's own server. Never throws. */
export async function ask<T>(
  path: string,
  options: { method?: string; json?: unknown; blob?: Blob; headers?: Record<string, string> } = {},
): Promise<Asked<T>> {
  try {
    const response = await fetch(path, {
      method: options.method ?? 'GET',
      headers: {
        ...options.headers,
        ...(options.blob && { 'content-type': options.blob.type }),
        ...(options.json !== undefined && { 'content-type': 'application/json' }),
      },
      ...(options.blob && { body: options.blob }),
      ...(options.json !== undefined && { body: JSON.stringify(options.json) }),
    });
    const body = await response.json();
    const { status } = response;
    if (response.ok) return { body: body as T, status, etag: response.headers.get('etag') ?? undefined };
    const { error } = body as { error: NonNullable<Asked<T>['error']> & { path?: string } };
    return { failed: error.path ? `${error.path}: ${error.message}` : error.message, status, error };
  } catch {
    return { failed: text.noConnectionTryAgainWhen };
  }
}
