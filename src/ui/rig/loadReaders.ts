import type { Refusal } from '@/core/rig';
import { loadReaders as text } from './texts';

/**
 * The readers of documents and of a kit's items. They bring the validator, so their script comes when it is first wanted.
 * @returns nothing where the server does not answer
 */
export const loadReaders = (): Promise<Partial<typeof import('./readers')>> => import('./readers').catch(() => ({}));

/** What is told where they could not be had. */
export const UNREAD: Refusal[] = [{ path: '', message: text.notSavedNoAnswer }];
