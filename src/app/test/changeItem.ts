import type { KitItem } from '@/core/kit';
import { ask } from '@/ui/shell/ask';
import { changeItem as text } from './texts';

/** How often somebody else may be quicker. */
const TRIES = 4;

/** Changes an item of the kit as it is now, whoever has it open elsewhere, or changes it meanwhile. Never throws. */
export async function changeItem(
  id: string,
  change: (from: KitItem) => KitItem,
): Promise<{ item?: KitItem; failed?: string }> {
  const path = `/api/kit/${encodeURIComponent(id)}`;
  for (let tries = 1; ; tries++) {
    const { body, etag, failed } = await ask<KitItem>(path);
    if (!body) return { failed };
    const item = change(body);
    const saved = await ask(path, { method: 'PUT', json: item, headers: etag ? { 'if-match': etag } : {} });
    if (saved.failed === undefined) return { item };
    if (saved.status !== 412 || tries === TRIES) return { failed: saved.failed };
  }
}

/** Makes one of several a thing of its own, with its own label. Never throws. */
export async function labelOne(from: KitItem, made: KitItem): Promise<{ items?: [KitItem, KitItem]; failed?: string }> {
  const created = await ask(`/api/kit/${encodeURIComponent(made.id)}`, {
    method: 'PUT',
    json: made,
    headers: { 'if-none-match': '*' },
  });
  if (created.failed) return { failed: created.failed };
  const { item, failed } = await changeItem(from.id, (now) => ({ ...now, count: Math.max(0, now.count - 1) }));
  return item ? { items: [made, item] } : { failed: text.isKeptAndStill(made.name, from.name, failed) };
}
