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
import { registerPanel as text } from './texts';

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
  [30, text.everyMonth],
  [91, text.everyThreeMonths],
  [182, text.everyHalfYear],
  [365, text.everyYear],
];

/** One cable of the register: what is known of it, when it is due, all its tests; retired, or back in use. */
export function RegisterPanel({ rig, row, failures: failed, today, onKit, onTest, onTold }: Props) {
  const [sending, setSending] = useState(false);
  if (!row) return <Typography sx={{ p: 2 }}>{text.chooseACableToSee}</Typography>;
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
    if (!saved) return onTold(text.notKept(failed));
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
        {due !== undefined && row.state !== 'due' && row.state !== 'retired' && text.nextTest(dateOf(due))}
        {failures.count > 0 && `. ${failedText(failures)}`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 2 }}>
        <Button variant="contained" onClick={() => onTest(item)} sx={{ minHeight: 44 }}>
          {text.testIt}
        </Button>
        {register.retired === undefined ? (
          <Button
            variant="outlined"
            disabled={sending}
            onClick={() => void set({ retired: today }, text.isRetiredNothingIsPlanned(item.name))}
            sx={{ minHeight: 44 }}
          >
            {text.retireIt}
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={sending}
            onClick={() => void set({ retired: undefined }, text.isInUseAgain(item.name))}
            sx={{ minHeight: 44 }}
          >
            {text.backInUse}
          </Button>
        )}
        <Button
          component={NextLink}
          prefetch={false}
          href={`/test/labels?${new URLSearchParams({ rig, items: item.id })}`}
          sx={{ minHeight: 44 }}
        >
          {text.itsLabel}
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr', mb: 2 }}>
        <TextField
          key={`${item.id} ${register.bought}`}
          type="date"
          label={text.bought}
          defaultValue={register.bought ?? ''}
          onBlur={({ target: { value } }) => {
            if (value !== (register.bought ?? '')) void set({ bought: value || undefined }, text.kept);
          }}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        />
        <TextField
          select
          label={text.testIt}
          value={String(register.testEvery ?? '')}
          onChange={({ target: { value } }) =>
            void set({ testEvery: value === '' ? undefined : Number(value) }, text.kept)
          }
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">{text.whenItSeemsRight}</MenuItem>
          {INTERVALS.map(([days, words]) => (
            <MenuItem key={days} value={String(days)}>
              {words}
            </MenuItem>
          ))}
          {register.testEvery !== undefined && !INTERVALS.some(([days]) => days === register.testEvery) && (
            <MenuItem value={String(register.testEvery)}>{text.everyDays(register.testEvery)}</MenuItem>
          )}
        </TextField>
      </Box>
      {failed.length > 0 && (
        <Box sx={{ mb: 2 }}>
          <Typography variant="h3">{text.itsFailures}</Typography>
          <Box component="ul" aria-label={text.itsFailures} sx={{ listStyle: 'none', m: 0, p: 0 }}>
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
      <Typography variant="h3">{text.itsTests}</Typography>
      {tests.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.noneYet}
        </Typography>
      )}
      <Box component="ul" aria-label={text.itsTests} sx={{ listStyle: 'none', m: 0, p: 0 }}>
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
