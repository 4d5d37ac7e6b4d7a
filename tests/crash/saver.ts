import { emptyRig } from '@/core/rig';
import { openStore } from '@/store/database';
import { createRig, saveRig } from '@/store/rigs';

/** Saves one revision after the other and acknowledges each on its output, until it is killed. */
const store = openStore(process.argv[2]);
let { revision } = createRig(store, { ...emptyRig('rig'), name: 'revision 1' }, 'rig');
for (;;) {
  revision = saveRig(store, 'rig', revision, { ...emptyRig('rig'), name: `revision ${revision + 1}` })!.revision;
  process.stdout.write(`${revision}\n`);
}
