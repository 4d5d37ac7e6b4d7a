import type { Metadata } from 'next';
import { theStore } from '@/store/database';
import { openRig } from '@/store/opened';
import { CasebookPlace } from './CasebookPlace';

export const metadata: Metadata = { title: 'Casebook' };
export const dynamic = 'force-dynamic';

export default async function CasebookPage({ searchParams }: { searchParams: Promise<{ rig?: string }> }) {
  const { rig } = await searchParams;
  const { saved } = openRig(theStore(), rig);
  return <CasebookPlace rig={saved.id} name={saved.document.name} />;
}
