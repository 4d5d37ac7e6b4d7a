import type { KitItem } from '@/core/kit';
import { ask } from '@/ui/shell/ask';
import { changeItem as text } from './texts';

/** Changes an item of the kit as it is now, whoever has it open elsewhere. Never throws. */
export async function changeItem(
  id: string,
  change: (from: KitItem) => KitItem,
): Promise<{ item?: KitItem; failed?: string }> {
  const path = `/api/kit/${encodeURIComponent(id)}`;
  const { body, etag, failed } = await ask<KitItem>(path);
  if (!body) return { failed };
  const item = change(body);
  const saved = await ask(path, { method: 'PUT', json: item, headers: etag ? { 'if-match': etag } : {} });
  return saved.failed ? { failed: saved.failed } : { item };
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
