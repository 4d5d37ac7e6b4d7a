import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { lastFloors } from '@/core/noise/kept';
import { loadKit } from '@/store/kit';
import { loadMeasurements } from '@/store/noise';
import { openRig } from '@/store/opened';
import { RigPlace } from './RigPlace';
import { onStore } from '../onStore';

export const metadata: Metadata = { title: 'Rig' };
export const dynamic = 'force-dynamic';

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
    return (
      <RigPlace
        key={saved.id}
        saved={saved}
        rigs={rigs}
        kit={loadKit(store)}
        floors={lastFloors(loadMeasurements(store, saved.id))}
        selected={line}
        removed={removed ?? gone}
      />
    );
  },
);
