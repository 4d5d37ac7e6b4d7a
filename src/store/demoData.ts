import { databasePath, openStore } from './database';
import { loadDemo } from './demo';
import { sentenceOf, StoreTrouble } from './trouble';

try {
  const store = openStore(databasePath());
  loadDemo(store);
  store.close();
} catch (problem) {
  if (!(problem instanceof StoreTrouble)) throw problem;
  // The server starts all the same: its pages say what is wrong and what to do.
  console.error(sentenceOf(problem));
}
