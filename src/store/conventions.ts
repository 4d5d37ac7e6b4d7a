import { setConventions, STANDARD_CONVENTIONS, type Conventions } from '@/core/units/conventions';
import { forgetComputed } from './computed';
import { setSetting, settingOf } from './settings';
import type { Store } from './store';

/** How figures and words are written, as it was set; the standard where nobody has. */
export function loadConventions(store: Store): Conventions {
  const kept = settingOf(store, 'conventions');
  return { ...STANDARD_CONVENTIONS, ...(kept !== undefined && (JSON.parse(kept) as Partial<Conventions>)) };
}

/** Sets how figures and words are written from now on; what is on paper already stays as it was written. */
export function saveConventions(store: Store, to: Conventions): void {
  setSetting(store, 'conventions', JSON.stringify(to));
  setConventions(to);
  forgetComputed();
}
