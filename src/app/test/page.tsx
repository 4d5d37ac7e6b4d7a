import type { Metadata } from 'next';
import { SYMPTOMS } from '@/core/testing';
import { loadKit } from '@/store/kit';
import { loadCableTests, loadFailures, loadInletSheets, loadPriors, loadRepairs } from '@/store/testing';
import { onStore } from '../onStore';
import { openedRig } from '../openedRig';
import { TestPlace } from './TestPlace';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.test };
export const dynamic = 'force-dynamic';

interface Asked {
  rig?: string;
  /** The line that something is wrong with, and what is heard of it. */
  line?: string;
  heard?: string;
  /** What the label of a cable opens: the id of its item. */
  cable?: string;
}

export default onStore(async (store, { searchParams }: { searchParams: Promise<Asked> }) => {
  const { rig, line, heard, cable } = await searchParams;
  const { saved } = openedRig(store, rig);
  return (
    <TestPlace
      key={saved.id}
      saved={saved}
      repairs={loadRepairs(store)}
      priors={loadPriors(store)}
      failures={loadFailures(store)}
      tests={loadCableTests(store)}
      sheets={loadInletSheets(store, saved.id)}
      kit={loadKit(store)}
      line={line}
      cable={cable}
      today={new Date().toISOString().slice(0, 10)}
      heard={heard !== undefined && Object.hasOwn(SYMPTOMS, heard) ? heard : undefined}
    />
  );
});
