import type { Metadata } from 'next';
import { usesOf } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import { kitRevisions, loadKit } from '@/store/kit';
import { openRig } from '@/store/opened';
import { loadRig } from '@/store/rigs';
import { KitPlace } from './KitPlace';
import type { Use } from './uses';
import { onStore } from '../onStore';
import { ownTurn } from '../turns';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.kit };
export const dynamic = 'force-dynamic';

export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig } = await searchParams;
  const { saved, rigs } = openRig(store, rig);
  const items = loadKit(store);
  const documents: { id: string; name: string; document: RigDocument }[] = [];
  for (const entry of rigs) {
    // Each may have to be read and looked over first.
    await ownTurn();
    const document = loadRig(store, entry.id)?.document;
    if (document) documents.push({ ...entry, document });
  }
  const uses = Object.fromEntries(
    items.map((item): [string, Use[]] => [
      item.id,
      documents.flatMap(({ id, name, document }) => {
        const places = usesOf(document, item.id);
        return places.length ? [{ rig: id, name, places }] : [];
      }),
    ]),
  );
  return (
    <KitPlace items={items} revisions={kitRevisions(store)} uses={uses} rig={saved.id} rigName={saved.document.name} />
  );
});
