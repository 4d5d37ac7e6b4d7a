/**
 * The readers of documents and of a kit's items. They bring the validator, so their script comes when it is first wanted.
 * @returns nothing where the server does not answer
 */
export const loadReaders = (): Promise<Partial<typeof import('./readers')>> => import('./readers').catch(() => ({}));
