import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { lastFloors } from '@/core/noise/kept';
import { loadKit } from '@/store/kit';
import { loadLastMeasurements } from '@/store/noise';
import { openRig } from '@/store/opened';
import { heavily, soon } from '@/threads/pool';
import { RigPlace } from './RigPlace';
import { onStore } from '../onStore';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.rig };
export const dynamic = 'force-dynamic';

/** Longest that the page waits for its verdicts, in milliseconds; what takes longer is computed in the browser. */
const WAITS = 1200;
/** Most lines whose verdicts come with the page. */
const MOST = 512;

export default onStore(
  async (
    store,
    {
      searchParams,
    }: {
      searchParams: Promise<{ rig?: string; line?: string; removed?: string }>;
    },
  ) => {
    const { rig: wanted, line, removed } = await searchParams;
    const { saved, rigs, removed: gone, unknown } = openRig(store, wanted);
    if (unknown) notFound();
    const { document } = saved;
    const floors = lastFloors(loadLastMeasurements(store, saved.id));
    const first = document.lines.length <= MOST ? await soon(heavily('drawn', { document, floors }), WAITS) : undefined;
    return (
      <RigPlace
        key={saved.id}
        saved={saved}
        rigs={rigs}
        kit={loadKit(store)}
        floors={floors}
        first={first}
        selected={line}
        removed={removed ?? gone}
      />
    );
  },
);
