import type { Metadata } from 'next';
import { theStore } from '@/store/database';
import { lastFloors } from '@/core/noise/kept';
import { loadKit } from '@/store/kit';
import { loadMeasurements } from '@/store/noise';
import { openRig } from '@/store/opened';
import { RigPlace } from './RigPlace';

export const metadata: Metadata = { title: 'Rig' };
export const dynamic = 'force-dynamic';

export default async function RigPage({
  searchParams,
}: {
  searchParams: Promise<{ rig?: string; line?: string; removed?: string }>;
}) {
  const { rig: wanted, line, removed } = await searchParams;
  const store = theStore();
  const { saved, rigs } = openRig(store, wanted);
  return (
    <RigPlace
      key={saved.id}
      saved={saved}
      rigs={rigs}
      kit={loadKit(store)}
      floors={lastFloors(loadMeasurements(store, saved.id))}
      selected={line}
      removed={removed}
    />
  );
}
