'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import { lengthRows, sparesFor, type Repair } from '@/core/testing';
import { sortOf } from './words';
import { lengthTable as texts } from './texts';

interface Props {
  kit: KitItem[];
  document: RigDocument;
  repairs: Repair[];
}

const daysIn = (text: string): number | undefined => (/^[1-9]\d{0,4}$/.test(text.trim()) ? Number(text) : undefined);

/** Which lengths run short on this rig, with the spares that the own failures ask for. */
export function LengthTable({ kit, document, repairs }: Props) {
  const [over, setOver] = useState('365');
  const [job, setJob] = useState('3');
  const rows = useMemo(() => lengthRows(kit, document, repairs), [kit, document, repairs]);
  const [counted, lasts] = [daysIn(over), daysIn(job)];
  const field = (label: string, value: string, set: (to: string) => void) => (
    <TextField
      label={label}
      value={value}
      error={daysIn(value) === undefined}
      helperText={daysIn(value) === undefined ? texts.wholeDays1OrMore : undefined}
      onChange={(event) => set(event.target.value.slice(0, 5))}
      sx={{ width: 230 }}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
  return (
    <Box component="section" aria-label={texts.lengths}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {texts.lengthsAndSparesToTake}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        {field(texts.failuresCountedOverDays, over, setOver)}
        {field(texts.jobDays, job, setJob)}
      </Box>
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          fontSize: 'body1.fontSize',
          '& th, & td': { textAlign: 'right', py: 0.6, pr: 1, borderBottom: 1, borderColor: 'divider' },
          '& th:first-of-type, & td:first-of-type': { textAlign: 'left' },
          '& td': { fontVariantNumeric: 'tabular-nums' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">{texts.cable}</th>
            <th scope="col">{texts.youHave}</th>
            <th scope="col">{texts.thisRig}</th>
            <th scope="col">{texts.failed}</th>
            <th scope="col">{texts.spares}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const spares = counted && lasts ? sparesFor(row.failed, counted, lasts) : undefined;
            const short = row.used + (spares ?? 0) - row.have;
            return (
              <tr key={`${row.connector} ${row.length}`}>
                <td>
                  {sortOf(row)}
                  {row.used > 0 && short > 0 && (
                    <Box
                      component="span"
                      sx={(theme) => ({ color: theme.vars!.palette.verdict.Watch, fontWeight: 650 })}
                    >
                      {texts.short(short)}
                    </Box>
                  )}
                </td>
                <td>{row.have}</td>
                <td>{row.used}</td>
                <td>{row.failed}</td>
                <td>{row.used > 0 ? (spares ?? '–') : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </Box>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
        {texts.sparesLastTheJob}
      </Typography>
    </Box>
  );
}
