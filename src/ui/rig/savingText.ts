import dayjs from 'dayjs';
import type { Saving } from './useRig';
import { clockPattern } from '@/core/units/conventions';

/** The state of a rig in a few words, for its bar. */
export function savingText(saving: Saving, { number, savedAt }: { number: number; savedAt: string }): string {
  switch (saving.state) {
    case 'saved':
    case 'newer':
      return `saved ${dayjs(savedAt).format(clockPattern())} · revision ${number}`;
    case 'saving':
      return 'saving …';
    case 'failed':
      return `not saved: ${saving.message}`;
    case 'removed':
      return 'removed in another tab';
    case 'stale':
      return 'not saved: changed in another tab';
  }
}
