'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import NextLink from 'next/link';
import { ENTRY_KINDS, type LogEntry } from '@/core/log';
import { PhotoThumb } from '@/ui/photo/PhotoThumb';
import { clockPattern } from '@/core/units/conventions';
import { entryList as texts } from './texts';

interface Props {
  entries: readonly LogEntry[];
  nameOf: (line: string) => string;
  rig: string;
  /** The log is empty, whatever the filter. */
  none: boolean;
}

/** Entries of a log, newest first, under their days. */
export function EntryList({ entries, nameOf, rig, none }: Props) {
  if (entries.length === 0)
    return (
      <Box sx={{ p: 2 }}>
        <Typography gutterBottom>{none ? texts.nothingHasHappenedYet : texts.noEntriesOfThisKind}</Typography>
        {none && (
          <Button component={NextLink} prefetch={false} href={`/switch?rig=${rig}`}>
            {texts.beginARunSheet}
          </Button>
        )}
      </Box>
    );
  const days = [...new Set(entries.map(dayOf))];
  return (
    <Box sx={{ px: 2, pb: 4 }}>
      {days.map((day) => (
        <Box key={day} component="section" aria-label={day}>
          <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }} suppressHydrationWarning>
            {day}
          </Typography>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {entries
              .filter((entry) => dayOf(entry) === day)
              .map((entry) => (
                <EntryRow key={`${entry.kind} ${entry.id}`} entry={entry} nameOf={nameOf} rig={rig} />
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

const dayOf = ({ at }: LogEntry): string => dayjs(at).format('dddd, D MMMM YYYY');

/** A few of many names. */
const someNames = (names: readonly string[]): string =>
  names.length > 4 ? texts.andMore(names.slice(0, 3).join(', '), names.length - 3) : names.join(', ');

function EntryRow({ entry, nameOf, rig }: { entry: LogEntry } & Pick<Props, 'nameOf' | 'rig'>) {
  const { at, kind, text, lines, place, who, photo } = entry;
  const unnamed = lines.map(nameOf).filter((name) => !text.includes(name));
  const aside = [place, who, someNames(unnamed)].filter(Boolean);
  return (
    <Box
      component="li"
      sx={(theme) => ({
        display: 'grid',
        gridTemplateColumns: { xs: '64px minmax(0, 1fr)', sm: '64px 118px minmax(0, 1fr)' },
        columnGap: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        py: 0.6,
        ...(kind === 'incident' && { color: theme.vars!.palette.verdict.Stop }),
      })}
    >
      <Typography variant="body2" color="textSecondary" suppressHydrationWarning>
        {dayjs(at).format(clockPattern('with seconds'))}
      </Typography>
      <Typography
        variant="body2"
        sx={{ fontWeight: kind === 'incident' ? 700 : 400, color: kind === 'incident' ? 'inherit' : 'text.secondary' }}
      >
        {ENTRY_KINDS[kind]}
      </Typography>
      <Box sx={{ gridColumn: { xs: '2', sm: 'auto' } }}>
        <Typography variant="body2">{text}</Typography>
        {aside.length > 0 && (
          <Typography variant="caption" color="textSecondary" component="p">
            {aside.join(' · ')}
          </Typography>
        )}
        {photo && <PhotoThumb rig={rig} photo={photo} of={text} size={72} />}
      </Box>
    </Box>
  );
}
