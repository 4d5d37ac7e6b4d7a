import type { Metadata } from 'next';
import { exposures } from '@/core/log';
import { theStore } from '@/store/database';
import { loadLog } from '@/store/log';
import { openRig } from '@/store/opened';
import { LogPlace } from './LogPlace';

export const metadata: Metadata = { title: 'Log' };
export const dynamic = 'force-dynamic';

export default async function LogPage({ searchParams }: { searchParams: Promise<{ rig?: string }> }) {
  const { rig } = await searchParams;
  const store = theStore();
  const { saved } = openRig(store, rig);
  const entries = loadLog(store, saved.id);
  return (
    <LogPlace
      key={saved.id}
      rig={saved.id}
      document={saved.document}
      initial={{ entries, exposures: exposures(entries, new Date().toISOString()) }}
    />
  );
}
