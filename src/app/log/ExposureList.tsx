'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import type { Exposure } from '@/core/log';
import { exposureText } from './exposureText';
import { clockPattern } from '@/core/units/conventions';
import { exposureList as texts } from './texts';

interface Props {
  exposures: readonly Exposure[];
  nameOf: (line: string) => string;
  onChoose: (line: string) => void;
}

/** Feed on each line to bear: feeds, how long, and what happened to it. */
export function ExposureList({ exposures, nameOf, onChoose }: Props) {
  return (
    <Box sx={{ px: 2, py: 1.5 }}>
      <Typography variant="h2">{texts.powerEachSourceHasSeen}</Typography>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1 }}>
        {texts.fromTheSteps}
      </Typography>
      {exposures.length === 0 && <Typography variant="body2">{texts.noFeedHasBeenRecorded}</Typography>}
      {exposures.map((record) => (
        <ButtonBase
          key={record.line}
          onClick={() => onChoose(record.line)}
          sx={{
            display: 'block',
            width: '100%',
            textAlign: 'left',
            borderTop: 1,
            borderColor: 'divider',
            py: 0.75,
            fontFamily: 'inherit',
          }}
        >
          <Typography variant="body2" sx={{ fontWeight: 650 }}>
            {nameOf(record.line)}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {exposureText(record)}
          </Typography>
          {record.incidents.map(({ at, text }, n) => (
            <Typography
              key={n}
              variant="body2"
              suppressHydrationWarning
              sx={(theme) => ({ color: theme.vars!.palette.verdict.Stop })}
            >
              {dayjs(at).format(`D MMM ${clockPattern()}`)}: {text}
            </Typography>
          ))}
        </ButtonBase>
      ))}
    </Box>
  );
}
