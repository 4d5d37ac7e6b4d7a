import type { readDocument } from '@/core/rig';

/**
 * The reader of documents, which refuses what no file may hold. It brings the validator, so its script comes when it is
 * first wanted.
 * @returns undefined where the server does not answer
 */
export const loadReader = (): Promise<typeof readDocument | undefined> =>
  import('./readDocument').then(
    (file) => file.readDocument,
    () => undefined,
  );
