import type { MainsFinding } from '@/core/mains';
import type { Verdict } from '@/core/check';

/** How findings of the mains side are marked. */
export const VERDICTS: Record<MainsFinding['severity'], Verdict> = { harm: 'Stop', watch: 'Watch', note: 'Clear' };
