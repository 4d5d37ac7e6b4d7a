import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { loadKit } from '@/store/kit';
import { openRig } from '@/store/opened';
import { PlanPlace } from './PlanPlace';
import { onStore } from '../onStore';

export const metadata: Metadata = { title: 'Plan' };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved, removed } = openRig(store, rig);
  // Another rig in its place would be taken for it.
  if (removed) redirect(`/rig?removed=${removed}`);
  return <PlanPlace key={saved.id} saved={saved} kit={loadKit(store)} />;
});
