'use client';

import dayjs from 'dayjs';
import { clockPattern } from '@/core/units/conventions';

/** A moment in the reader's own time. @param at as ISO 8601 */
export const LocalTime = ({ at }: { at: string }) => (
  <time dateTime={at} suppressHydrationWarning>
    {dayjs(at).format(`D MMM YYYY, ${clockPattern()}`)}
  </time>
);
