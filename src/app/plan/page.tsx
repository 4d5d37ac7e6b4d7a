import type { Metadata } from 'next';
import { loadKit } from '@/store/kit';
import { PlanPlace } from './PlanPlace';
import { onStore } from '../onStore';
import { openedRig } from '../openedRig';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.plan };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved } = openedRig(store, rig);
  return <PlanPlace key={saved.id} saved={saved} kit={loadKit(store)} />;
});
