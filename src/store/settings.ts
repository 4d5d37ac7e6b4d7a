import type { Store } from './store';

/** What is set for all rigs, by name. */
type Setting = 'revision-days' | 'priors' | 'conventions';

export const settingOf = (store: Store, name: Setting): string | undefined =>
  store.prepare('SELECT value FROM setting WHERE name = ?').pluck().get(name) as string | undefined;

export const setSetting = (store: Store, name: Setting, value: string): void => {
  store
    .prepare('INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value')
    .run(name, value);
};
