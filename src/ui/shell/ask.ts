/** What a route handler answered: its body, or why there is none in words that can be shown. */
export interface Asked<T> {
  body?: T;
  failed?: string;
  /** Of the answer; none where none came. */
  status?: number;
}

/** Asks this application's own server. Never throws. */
export async function ask<T>(
  path: string,
  options: { method?: string; json?: unknown; blob?: Blob } = {},
): Promise<Asked<T>> {
  try {
    const response = await fetch(path, {
      method: options.method ?? 'GET',
      ...(options.blob && { headers: { 'content-type': options.blob.type }, body: options.blob }),
      ...(options.json !== undefined && {
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(options.json),
      }),
    });
    const body = await response.json();
    const { status } = response;
    if (response.ok) return { body: body as T, status };
    const { message, path: at } = (body as { error: { message: string; path?: string } }).error;
    return { failed: at ? `${at}: ${message}` : message, status };
  } catch {
    return { failed: 'The server does not answer; try again when it runs.' };
  }
}
