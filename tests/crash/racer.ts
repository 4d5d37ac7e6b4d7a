import { openStore } from '@/store/database';
import { loadRig, saveRig, StaleRevision } from '@/store/rigs';

/** Saves so many revisions of a shared rig, loading it anew whenever somebody else was quicker; counts both. */
const [path, wanted] = process.argv.slice(2);
const store = openStore(path);
let saved = 0;
let refused = 0;
while (saved < Number(wanted)) {
  const { revision, document } = loadRig(store, 'shared')!;
  try {
    saveRig(store, 'shared', revision, { ...document, note: `by ${process.pid}` });
    saved++;
  } catch (error) {
    if (!(error instanceof StaleRevision)) throw error;
    refused++;
  }
}
store.close();
process.stdout.write(JSON.stringify({ saved, refused }));
