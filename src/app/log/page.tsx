import type { Metadata } from 'next';
import { exposures } from '@/core/log';
import { loadFed, loadLogPage, logState } from '@/store/log';
import { LogPlace } from './LogPlace';
import { onStore } from '../onStore';
import { openedRig } from '../openedRig';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.log };
export const dynamic = 'force-dynamic';

/** Entries that are there from the start. */
const PAGE = 200;

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved } = openedRig(store, rig);
  return (
    <LogPlace
      key={saved.id}
      rig={saved.id}
      document={saved.document}
      initial={{
        state: logState(store, saved.id),
        ...loadLogPage(store, saved.id, {}, PAGE),
        exposures: exposures(loadFed(store, saved.id), new Date().toISOString()),
      }}
    />
  );
});
