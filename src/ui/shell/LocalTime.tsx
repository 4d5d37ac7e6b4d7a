'use client';

import dayjs from 'dayjs';

/** A moment in the reader's own time. @param at as ISO 8601 */
export const LocalTime = ({ at }: { at: string }) => (
  <time dateTime={at} suppressHydrationWarning>
    {dayjs(at).format('D MMM YYYY, HH:mm')}
  </time>
);
