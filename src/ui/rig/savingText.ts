import dayjs from 'dayjs';
import type { Saving } from './useRig';
import { clockPattern } from '@/core/units/conventions';
import { savingText as text } from './texts';

/** The state of a rig in a few words, for its bar. */
export function savingText(saving: Saving, { number, savedAt }: { number: number; savedAt: string }): string {
  switch (saving.state) {
    case 'saved':
    case 'newer':
      return text.savedRevision(dayjs(savedAt).format(clockPattern()), number);
    case 'saving':
      return text.saving;
    case 'failed':
      return text.notSaved(saving.message);
    case 'removed':
      return text.removedInAnotherTab;
    case 'stale':
      return text.notSavedChangedInAnother;
  }
}
