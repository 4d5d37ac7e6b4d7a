import type { Answer as PossibleAnswer } from '@/core/check';
import type { Imported } from './imported';

/** What is open over the sheet. */
export type OpenDialog =
  | { dialog: 'import'; dropped?: Imported }
  | { dialog: 'schools' | 'new line' | 'history' | 'rename' | 'new device' | 'monitors' | 'removed' }
  | { dialog: 'device'; device: string }
  | { dialog: 'move'; button: HTMLElement }
  | { dialog: 'insert'; button: HTMLElement; line: string; at: number }
  | { dialog: 'answer'; answer: PossibleAnswer };
