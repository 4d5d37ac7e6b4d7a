import type { Metadata } from 'next';
import { loadKit } from '@/store/kit';
import { openRig } from '@/store/opened';
import { PlanPlace } from './PlanPlace';
import { onStore } from '../onStore';

export const metadata: Metadata = { title: 'Plan' };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved } = openRig(store, rig);
  return <PlanPlace key={saved.id} saved={saved} kit={loadKit(store)} />;
});
