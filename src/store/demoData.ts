import { databasePath, openStore } from './database';
import { loadDemo } from './demo';

const store = openStore(databasePath());
loadDemo(store);
store.close();
