import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { sheetClock } from '@/store/clock';
import { openRig } from '@/store/opened';
import { loadSwitching } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { SwitchPlace } from './SwitchPlace';
import { onStore } from '../onStore';

export const metadata: Metadata = { title: 'Switch' };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved, removed } = openRig(store, rig);
  // Another rig in its place would be taken for it.
  if (removed) redirect(`/rig?removed=${removed}`);
  await followed(store, saved.id);
  const sheet = loadSwitching(store, saved.id)!;
  return <SwitchPlace key={saved.id} saved={saved} sheet={{ ...sheet, now: sheetClock(store) }} />;
});
