'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useState } from 'react';
import type { KitItem, Register } from '@/core/kit';
import type { RegisterRow } from '@/core/testing';
import type { Failure } from '@/store/testing';
import { LocalTime } from '@/ui/shell/LocalTime';
import { changeItem } from './changeItem';
import { capital, dateOf, failedText, resultText, sortOf, stateText } from './words';

interface Props {
  rig: string;
  row?: RegisterRow;
  /** Of this cable, newest first. */
  failures: Failure[];
  /** As 2026-05-01. */
  today: string;
  onKit: (change: (from: KitItem[]) => KitItem[]) => void;
  onTest: (item: RegisterRow['item']) => void;
  onTold: (message: string) => void;
}

/** How often a cable may be tested again, in days. */
const INTERVALS: readonly (readonly [days: number, words: string])[] = [
  [30, 'every month'],
  [91, 'every three months'],
  [182, 'every half year'],
  [365, 'every year'],
];

/** One cable of the register: what is known of it, when it is due, all its tests; retired, or back in use. */
export function RegisterPanel({ rig, row, failures: failed, today, onKit, onTest, onTold }: Props) {
  const [sending, setSending] = useState(false);
  if (!row) return <Typography sx={{ p: 2 }}>Choose a cable to see its tests and failures.</Typography>;
  const { item, tests, due, failures } = row;
  const register = item.register ?? {};
  const set = async (change: Partial<Register>, told: string) => {
    setSending(true);
    const { item: saved, failed } = await changeItem(item.id, ({ register: before, ...from }) => {
      const next = Object.fromEntries(
        Object.entries({ ...before, ...change }).filter(([, value]) => value !== undefined),
      ) as Register;
      return { ...from, ...(Object.keys(next).length && { register: next }) } as KitItem;
    });
    setSending(false);
    if (!saved) return onTold(`Not kept: ${failed}`);
    onKit((all) => all.map((each) => (each.id === saved.id ? saved : each)));
    onTold(told);
  };
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="caption" color="textSecondary" component="p">
        {sortOf(row)}
      </Typography>
      <Typography variant="h2">{item.name}</Typography>
      <Typography sx={{ mb: 1.5 }}>
        {capital(stateText(row))}
        {due !== undefined && row.state !== 'due' && row.state !== 'retired' && `; next test ${dateOf(due)}`}
        {failures.count > 0 && `. ${failedText(failures)}`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 2 }}>
        <Button variant="contained" onClick={() => onTest(item)} sx={{ minHeight: 44 }}>
          Test it
        </Button>
        {register.retired === undefined ? (
          <Button
            variant="outlined"
            disabled={sending}
            onClick={() =>
              void set({ retired: today }, `${item.name} is retired: nothing is planned with it any more.`)
            }
            sx={{ minHeight: 44 }}
          >
            Retire it
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={sending}
            onClick={() => void set({ retired: undefined }, `${item.name} is in use again.`)}
            sx={{ minHeight: 44 }}
          >
            Back in use
          </Button>
        )}
        <Button
          component={NextLink}
          prefetch={false}
          href={`/test/labels?${new URLSearchParams({ rig, items: item.id })}`}
          sx={{ minHeight: 44 }}
        >
          Its label
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr', mb: 2 }}>
        <TextField
          key={`${item.id} ${register.bought}`}
          type="date"
          label="Bought"
          defaultValue={register.bought ?? ''}
          onBlur={({ target: { value } }) => {
            if (value !== (register.bought ?? '')) void set({ bought: value || undefined }, 'Kept.');
          }}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        />
        <TextField
          select
          label="Test it"
          value={String(register.testEvery ?? '')}
          onChange={({ target: { value } }) =>
            void set({ testEvery: value === '' ? undefined : Number(value) }, 'Kept.')
          }
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">when it seems right</MenuItem>
          {INTERVALS.map(([days, words]) => (
            <MenuItem key={days} value={String(days)}>
              {words}
            </MenuItem>
          ))}
          {register.testEvery !== undefined && !INTERVALS.some(([days]) => days === register.testEvery) && (
            <MenuItem value={String(register.testEvery)}>every {register.testEvery} days</MenuItem>
          )}
        </TextField>
      </Box>
      {failed.length > 0 && (
        <Box sx={{ mb: 2 }}>
          <Typography variant="h3">Its failures</Typography>
          <Box component="ul" aria-label="Its failures" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {failed.map(({ at, what }) => (
              <Box component="li" key={at} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
                <Typography variant="body2">{capital(what)}</Typography>
                <Typography variant="caption" color="textSecondary">
                  <LocalTime at={at} />
                </Typography>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      <Typography variant="h3">Its tests</Typography>
      {tests.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          None yet.
        </Typography>
      )}
      <Box component="ul" aria-label="Its tests" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {tests.map(({ at, state }) => (
          <Box component="li" key={at} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
            <Typography variant="body2">{capital(resultText(state))}</Typography>
            <Typography variant="caption" color="textSecondary">
              <LocalTime at={at} />
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
