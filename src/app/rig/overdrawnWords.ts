import type { Overdrawn } from '@/core/kit';

/** How many are used, and how many there are. */
export const overdrawnWords = ({ name, has, uses }: Overdrawn): string =>
  `${name}: ${uses} used, ${has === 0 ? 'none' : has} owned`;
