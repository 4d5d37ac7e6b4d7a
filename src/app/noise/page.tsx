import type { Metadata } from 'next';
import { loadHunts, loadLadders, loadLastMeasurements, loadMeasurements } from '@/store/noise';
import { NoisePlace } from './NoisePlace';
import { onStore } from '../onStore';
import { openedRig } from '../openedRig';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.noise };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string; tab?: string }> }) => {
  const { rig, tab } = await searchParams;
  const { saved } = openedRig(store, rig);
  // The first line is the one that is looked at.
  const first = saved.document.lines[0]?.id ?? '';
  const others = loadLastMeasurements(store, saved.id).filter(({ line }) => line !== first);
  return (
    <NoisePlace
      key={saved.id}
      saved={saved}
      opens={tab}
      kept={{
        measurements: [...others, ...loadMeasurements(store, saved.id, first)],
        ladders: loadLadders(store, saved.id),
        hunts: loadHunts(store, saved.id),
      }}
    />
  );
});
