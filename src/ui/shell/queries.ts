import { QueryClient } from '@tanstack/react-query';
import { ask, type Asking } from './ask';
import { queries as text } from './texts';

/** Why the server gave no answer, in words that can be shown. */
export class Unanswered extends Error {
  /** @param status of the refusal; none where no answer came */
  constructor(
    message: string,
    readonly status?: number,
  ) {
    super(message);
  }
}

declare module '@tanstack/react-query' {
  interface Register {
    defaultError: Unanswered;
  }
}

/** How long to wait before a question that nobody answered is asked again, in milliseconds. */
export const RETRY = 3000;

/** What this application's own server answers. @throws Unanswered */
export async function answerOf<T>(path: string, options: Asking = {}): Promise<T> {
  const { body, failed, status } = await ask<T>(path, options);
  if (body === undefined) throw new Unanswered(failed!, status);
  return body;
}

/**
 * How everything that is read from the server is fetched, tried again and followed: a key begins with the path it is read
 * from. What was refused is not asked again by itself; what nobody answered is, and whoever comes back to the tab sees how
 * it is now. Nothing is kept of what is no longer shown.
 */
export const makeQueries = (): QueryClient =>
  new QueryClient({
    defaultOptions: {
      queries: {
        queryFn: ({ queryKey: [path], signal }) => answerOf(path as string, { signal }),
        retry: (_tries, problem) => problem.status === undefined,
        retryDelay: RETRY,
        // The server may well be this machine, with no network.
        networkMode: 'always',
        refetchOnReconnect: true,
        gcTime: 0,
      },
      mutations: { networkMode: 'always' },
    },
  });

/** Why something that is read is not known, or not as it is now; nothing where it is. */
export function whyNot(asked: { error: Unanswered | null; failureReason: Unanswered | null }): string {
  const problem = asked.error ?? asked.failureReason;
  if (!problem) return '';
  return problem.status === undefined ? text.noConnectionThisLoads : problem.message;
}
