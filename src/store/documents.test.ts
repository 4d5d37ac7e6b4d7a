import { emptyRig } from '@/core/rig';
import { storeForEach } from '../../tests/stores';
import { documentOf } from './documents';
import { createRig, loadRig, rigToSend, saveRig, stepRig } from './rigs';
import type { Store } from './store';

let store: Store;
storeForEach((made) => (store = made));

const sent = (id: string): unknown => JSON.parse(rigToSend(store, id)!.toString('utf8'));

test('what is sent is the rig as it stands, at every revision and with where undo and redo would go', () => {
  const { id } = createRig(store, emptyRig('Ämter, “first”'));
  expect(sent(id)).toEqual(loadRig(store, id));
  saveRig(store, id, 1, emptyRig('second'));
  expect(sent(id)).toMatchObject({ revision: 2, document: { name: 'second' }, steps: { undo: 1 } });
  stepRig(store, id, 2, 'undo');
  expect(sent(id)).toMatchObject({ revision: 3, document: { name: 'Ämter, “first”' }, steps: { redo: 2 } });
  expect(sent(id)).toEqual(loadRig(store, id));
  expect(rigToSend(store, 'nobody')).toBeUndefined();
});

test('what was read or written once is not read again', () => {
  const { id } = createRig(store, emptyRig('first'));
  expect(documentOf(store, id, 1)).toBe(documentOf(store, id, 1));
  const saved = saveRig(store, id, 1, emptyRig('second'))!;
  // What cannot be read was not.
  store.prepare("UPDATE rig_revision SET document = 'no document'").run();
  expect(documentOf(store, id, 2)).toEqual(saved.document);
  // Whoever saved it may go on with theirs.
  saved.document.name = 'third';
  expect(documentOf(store, id, 2)?.name).toBe('second');
});

test('what a transaction took back is not read as if it had stood', () => {
  const { id } = createRig(store, emptyRig('first'));
  const takenBack = store.transaction(() => {
    saveRig(store, id, 1, emptyRig('never'));
    expect(loadRig(store, id)?.document.name).toBe('never');
    throw new Error('taken back');
  });
  expect(takenBack).toThrow('taken back');
  expect(loadRig(store, id)).toMatchObject({ revision: 1, document: { name: 'first' } });
  // As another process would write it: nobody here has seen it.
  store
    .prepare(
      `INSERT INTO rig_revision (rig_id, revision, document, saved_at)
       SELECT rig_id, 2, replace(document, 'first', 'second'), saved_at FROM rig_revision WHERE rig_id = ?`,
    )
    .run(id);
  expect(loadRig(store, id, 2)?.document.name).toBe('second');
});

test('a revision that was thinned is gone, though it was read before', () => {
  const { id } = createRig(store, emptyRig('first'));
  expect(documentOf(store, id, 1)?.name).toBe('first');
  store.prepare("UPDATE rig_revision SET document = '' WHERE rig_id = ?").run(id);
  expect(documentOf(store, id, 1)).toBeUndefined();
  expect(loadRig(store, id)).toBeUndefined();
});

test('of more than 16 MiB of text only what was asked for last is kept', () => {
  const ids = Array.from({ length: 5 }, (_, n) => createRig(store, emptyRig(`rig ${n}`)).id);
  // Space around it is text of its document as well.
  store.prepare('UPDATE rig_revision SET document = document || ?').run(' '.repeat(4 * 1024 * 1024));
  const first = ids.map((id) => documentOf(store, id, 1));
  expect(documentOf(store, ids[4], 1)).toBe(first[4]);
  expect(documentOf(store, ids[2], 1)).toBe(first[2]);
  expect(documentOf(store, ids[0], 1)).not.toBe(first[0]);
});
