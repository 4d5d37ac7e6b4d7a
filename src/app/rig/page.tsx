import type { Metadata } from 'next';
import { emptyRig } from '@/core/rig';
import { theStore } from '@/store/database';
import { createRig, listRigs, loadRig } from '@/store/rigs';
import { RigPlace } from './RigPlace';

export const metadata: Metadata = { title: 'Rig' };
export const dynamic = 'force-dynamic';

export default async function RigPage({ searchParams }: { searchParams: Promise<{ rig?: string; line?: string }> }) {
  const { rig: wanted, line } = await searchParams;
  const store = theStore();
  const rigs = listRigs(store);
  const id = rigs.find((rig) => rig.id === wanted)?.id ?? rigs[0]?.id;
  const saved = (id && loadRig(store, id)) || createRig(store, emptyRig('My rig'));
  return <RigPlace saved={saved} selected={line} />;
}
