import type { Metadata } from 'next';
import { openRig } from '@/store/opened';
import { CasebookPlace } from './CasebookPlace';
import { onStore } from '../onStore';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.casebook };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved } = openRig(store, rig);
  return <CasebookPlace rig={saved.id} name={saved.document.name} />;
});
