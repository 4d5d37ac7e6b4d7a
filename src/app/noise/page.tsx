import type { Metadata } from 'next';
import { theStore } from '@/store/database';
import { loadHunts, loadLadders, loadMeasurements } from '@/store/noise';
import { openRig } from '@/store/opened';
import { NoisePlace } from './NoisePlace';

export const metadata: Metadata = { title: 'Noise' };
export const dynamic = 'force-dynamic';

export default async function NoisePage({ searchParams }: { searchParams: Promise<{ rig?: string }> }) {
  const { rig } = await searchParams;
  const store = theStore();
  const { saved } = openRig(store, rig);
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
}
