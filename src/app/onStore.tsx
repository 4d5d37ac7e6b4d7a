import { randomUUID } from 'node:crypto';
import type { ReactNode } from 'react';
import { databasePath, theStore } from '@/store/database';
import type { Store } from '@/store/store';
import { troubleOf, wordsOf } from '@/store/trouble';
import { Anew } from '@/ui/shell/Anew';
import { TroublePlace } from '@/ui/shell/TroublePlace';
import { ownTurn } from './turns';

/** A page that needs the database; where that cannot be used the page says which trouble it is, and what to do. */
export const onStore =
  <Props,>(page: (store: Store, props: Props) => Promise<ReactNode>) =>
  async (props: Props): Promise<ReactNode> => {
    await ownTurn();
    try {
      return <Anew stamp={randomUUID()}>{await page(theStore(), props)}</Anew>;
    } catch (problem) {
      const trouble = troubleOf(problem, databasePath());
      if (!trouble) throw problem;
      console.error(trouble.message);
      return <TroublePlace {...wordsOf(trouble)} />;
    }
  };
