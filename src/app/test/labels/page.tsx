import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { isOwn } from '@/core/testing';
import { loadKit } from '@/store/kit';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';
import { openedRig } from '../../openedRig';
import { CableLabel } from './CableLabel';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.labels };
export const dynamic = 'force-dynamic';

/** Labels for cables of the register, to be cut out: the name, what it is, and a code that opens it. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string; items?: string }> }) => {
  const { rig, items = '' } = await searchParams;
  const { saved } = openedRig(store, rig);
  const wanted = new Set(items.split(','));
  const cables = loadKit(store).filter((item) => isOwn(item) && wanted.has(item.id));
  const host = (await headers()).get('host') ?? 'localhost';
  return (
    <Paper
      title={text.labels}
      note={text.theCodesOpen(host)}
      back={{ href: `/test?rig=${saved.id}`, label: text.backToTheRegister }}
    >
      {cables.length === 0 && <p>{text.noneOfTheseCables}</p>}
      <ul
        aria-label={text.labels}
        style={{ listStyle: 'none', margin: '16px 0 0', padding: 0, display: 'flex', flexWrap: 'wrap', gap: 8 }}
      >
        {cables.map((item) => (
          <CableLabel key={item.id} item={item} address={`http://${host}/test?cable=${encodeURIComponent(item.id)}`} />
        ))}
      </ul>
    </Paper>
  );
});
