import { readDocument, type RigDocument } from '@/core/rig';
import type { Store } from './store';

/** A document that was read, and as it was sent last: after which head, and in bytes. Never changed. */
interface Read {
  document: RigDocument;
  /** Characters of its text in the database. */
  size: number;
  sent?: { head: string; bytes: Buffer<ArrayBuffer> };
}

/**
 * Documents that were read lately, by rig and revision: what was read once needs not be looked over again. A revision
 * never changes once its transaction has ended; what is read within one may still be taken back, and is not kept. One list
 * for pages and routes.
 */
const shared = globalThis as { inletCheckDocuments?: WeakMap<Store, Map<string, Read>> };
const lately = (): WeakMap<Store, Map<string, Read>> => (shared.inletCheckDocuments ??= new WeakMap());
/** Characters of text whose documents are kept: 300 rigs of the demo's size, 70 of 240 lines. */
const MOST = 16 * 1024 * 1024;

/** The document of a revision; undefined if it is not there, or no longer kept. */
export const documentOf = (store: Store, rig: string, revision: number): RigDocument | undefined =>
  readOf(store, rig, revision)?.document;

/**
 * A revision as it is sent, JSON in UTF-8; undefined if it is not there, or no longer kept.
 * @param head what stands before its document, as a JSON object
 */
export function sentRig(store: Store, rig: string, revision: number, head: string): Buffer<ArrayBuffer> | undefined {
  const read = readOf(store, rig, revision);
  if (!read) return undefined;
  if (read.sent?.head !== head)
    read.sent = { head, bytes: Buffer.from(`${head.slice(0, -1)},"document":${JSON.stringify(read.document)}}`) };
  return read.sent.bytes;
}

/** Keeps a document that was just written as it would be read: it was looked over before it was written. */
export function justWritten(store: Store, rig: string, revision: number, document: RigDocument): void {
  const text = JSON.stringify(document);
  kept(store, rig, revision, { document: JSON.parse(text) as RigDocument, size: text.length });
}

function readOf(store: Store, rig: string, revision: number): Read | undefined {
  const column = (what: string) =>
    store.prepare(`SELECT ${what} FROM rig_revision WHERE rig_id = ? AND revision = ?`).pluck().get(rig, revision);
  if (column("document <> ''") !== 1) return undefined;
  const known = lately().get(store)?.get(keyOf(rig, revision));
  if (known) return kept(store, rig, revision, known);
  const text = column('document') as string;
  return kept(store, rig, revision, { document: readDocument(JSON.parse(text)), size: text.length });
}

const keyOf = (rig: string, revision: number): string => `${revision} ${rig}`;

function kept(store: Store, rig: string, revision: number, read: Read): Read {
  if (store.inTransaction) return read;
  const known = lately().get(store) ?? new Map<string, Read>();
  lately().set(store, known);
  const key = keyOf(rig, revision);
  // Whatever was asked for last is kept longest.
  known.delete(key);
  known.set(key, read);
  let size = [...known.values()].reduce((sum, each) => sum + each.size, 0);
  for (const [old, { size: freed }] of known) {
    if (size <= MOST || known.size === 1) break;
    known.delete(old);
    size -= freed;
  }
  return read;
}
