import type { Metadata } from 'next';
import { theStore } from '@/store/database';
import { loadKit } from '@/store/kit';
import { openRig } from '@/store/opened';
import { PlanPlace } from './PlanPlace';

export const metadata: Metadata = { title: 'Plan' };
export const dynamic = 'force-dynamic';

export default async function PlanPage({ searchParams }: { searchParams: Promise<{ rig?: string }> }) {
  const { rig } = await searchParams;
  const store = theStore();
  const { saved } = openRig(store, rig);
  return <PlanPlace key={saved.id} saved={saved} kit={loadKit(store)} />;
}
