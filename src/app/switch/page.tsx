import type { Metadata } from 'next';
import { sheetClock } from '@/store/clock';
import { loadSwitching } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { SwitchPlace } from './SwitchPlace';
import { onStore } from '../onStore';
import { openedRig } from '../openedRig';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.switchWord };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved } = openedRig(store, rig);
  await followed(store, saved.id);
  const sheet = loadSwitching(store, saved.id)!;
  return <SwitchPlace key={saved.id} saved={saved} sheet={{ ...sheet, now: sheetClock(store) }} />;
});
