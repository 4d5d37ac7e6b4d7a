import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { loadHunts, loadLadders, loadMeasurements } from '@/store/noise';
import { openRig } from '@/store/opened';
import { NoisePlace } from './NoisePlace';
import { onStore } from '../onStore';

export const metadata: Metadata = { title: 'Noise' };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved, removed } = openRig(store, rig);
  // Another rig in its place would be taken for it.
  if (removed) redirect(`/rig?removed=${removed}`);
  return (
    <NoisePlace
      key={saved.id}
      saved={saved}
      kept={{
        measurements: loadMeasurements(store, saved.id),
        ladders: loadLadders(store, saved.id),
        hunts: loadHunts(store, saved.id),
      }}
    />
  );
});
