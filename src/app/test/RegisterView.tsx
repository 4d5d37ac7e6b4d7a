'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useState, type FormEvent } from 'react';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import { freeId } from '@/core/rig/rigEdits';
import { isCableItem, type RegisterRow } from '@/core/testing';
import { LengthTable } from './LengthTable';
import { labelOne } from './changeItem';
import { dateOf, REGISTER_WORDS, sortOf, stateText } from './words';
import { registerView as text } from './texts';

interface Props {
  rows: RegisterRow[];
  kit: KitItem[];
  document: RigDocument;
  /** Cables that failed, by item. */
  repairs: Parameters<typeof LengthTable>[0]['repairs'];
  rig: string;
  chosen?: string;
  onChoose: (id: string) => void;
  onKit: (change: (from: KitItem[]) => KitItem[]) => void;
  onTold: (message: string) => void;
}

/** Every cable that has a label of its own, what has to be seen to first; which lengths run short. */
export function RegisterView({ rows, kit, document, repairs, rig, chosen, onChoose, onKit, onTold }: Props) {
  const counts = (['bad', 'suspect', 'due', 'untested'] as const).flatMap((state) => {
    const count = rows.filter((row) => row.state === state).length;
    return count ? [`${count} ${REGISTER_WORDS[state].toLowerCase()}`] : [];
  });
  const labels = rows.filter(({ state }) => state !== 'retired').map(({ item }) => item.id);
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, py: 2, maxWidth: 820 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {text.registerOfCables}
      </Typography>
      <Typography role="status" sx={{ mb: 1.5 }}>
        {rows.length === 0
          ? text.noCableHasALabel
          : text.withALabel(rows.length, counts.length ? `: ${counts.join(', ')}.` : text.nothingDue)}
      </Typography>
      <Box component="ul" aria-label={text.registerOfCables} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {rows.map((row) => (
          <Box component="li" key={row.item.id} sx={{ borderBottom: 1, borderColor: 'divider' }}>
            <ButtonBase
              onClick={() => onChoose(row.item.id)}
              aria-current={row.item.id === chosen ? 'true' : undefined}
              sx={{
                width: '100%',
                minHeight: 48,
                px: 1,
                display: 'grid',
                gridTemplateColumns: { xs: 'minmax(0, 1fr) auto', sm: 'minmax(0, 1fr) minmax(0, 1.2fr) 176px' },
                columnGap: 1.5,
                alignItems: 'center',
                textAlign: 'left',
                bgcolor: row.item.id === chosen ? 'action.selected' : undefined,
              }}
            >
              <Typography sx={{ fontWeight: 650, color: row.state === 'retired' ? 'text.secondary' : undefined }}>
                {row.item.name}
              </Typography>
              <Typography
                variant="body2"
                color="textSecondary"
                sx={{ gridRow: { xs: 2, sm: 1 }, gridColumn: { xs: '1 / -1', sm: 2 } }}
              >
                {sortOf(row)}
                {row.tests[0] ? text.tested(dateOf(row.tests[0].at)) : ''}
                {row.failures.count > 0 && text.failed(row.failures.count)}
              </Typography>
              <Typography
                variant="body2"
                sx={(theme) => ({
                  fontWeight: 650,
                  textAlign: 'right',
                  color:
                    row.state === 'bad'
                      ? theme.vars!.palette.verdict.Stop
                      : row.state === 'suspect' || row.state === 'due'
                        ? theme.vars!.palette.verdict.Watch
                        : 'text.secondary',
                })}
              >
                {stateText(row)}
              </Typography>
            </ButtonBase>
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 2 }}>
        {labels.length > 0 && (
          <Button
            component={NextLink}
            prefetch={false}
            href={`/test/labels?${new URLSearchParams({ rig, items: labels.join(',') })}`}
            variant="outlined"
            sx={{ minHeight: 44 }}
          >
            {text.printLabels}
          </Button>
        )}
        <Button component="a" href="/api/kit?format=csv" download="cables.csv" sx={{ minHeight: 44 }}>
          {text.saveAsCsv}
        </Button>
        <Button component={NextLink} prefetch={false} href={`/kit?rig=${rig}`} sx={{ minHeight: 44 }}>
          {text.importACsvInKit}
        </Button>
      </Box>
      <LabelForm kit={kit} onKit={onKit} onTold={onTold} />
      <LengthTable kit={kit} document={document} repairs={repairs} />
    </Box>
  );
}

/** One of several is given a label of its own. */
function LabelForm({ kit, onKit, onTold }: Pick<Props, 'kit' | 'onKit' | 'onTold'>) {
  const several = kit.filter((item) => isCableItem(item) && item.count > 1);
  const [of, setOf] = useState('');
  const [label, setLabel] = useState('');
  const [problem, setProblem] = useState('');
  const [sending, setSending] = useState(false);
  if (several.length === 0) return null;
  const from = several.find(({ id }) => id === of) ?? several[0];
  const name = label.trim();
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (name === '' || sending) return;
    if (kit.some((item) => item.name === name)) return setProblem(text.isTakenChooseAnotherLabel(name));
    setSending(true);
    const { note: _note, ...rest } = from;
    const { items, failed } = await labelOne(from, { ...rest, id: freeId(kit, name), name, count: 1 } as KitItem);
    setSending(false);
    setProblem(failed ?? '');
    if (!items) return;
    const [made, left] = items;
    onKit((all) => [...all.map((item) => (item.id === left.id ? left : item)), made]);
    setLabel('');
    onTold(text.hasALabel(made.name, left.count, left.name));
  };
  return (
    <Box component="form" aria-label={text.labelACable} onSubmit={(event) => void submit(event)} sx={{ mb: 3 }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {text.labelACable}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <TextField
          select
          label={text.oneOf}
          value={from.id}
          onChange={(event) => setOf(event.target.value)}
          sx={{ width: 220 }}
        >
          {several.map((item) => (
            <MenuItem key={item.id} value={item.id}>
              {item.name} ({item.count})
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label={text.onItsLabel}
          placeholder="A 17"
          value={label}
          onChange={(event) => setLabel(event.target.value.slice(0, 80))}
          sx={{ width: 180 }}
        />
        <Button
          type="submit"
          variant="outlined"
          disabled={name === '' || sending}
          sx={{ minHeight: { xs: 44, md: 40 } }}
        >
          {text.takeItIntoTheRegister}
        </Button>
      </Box>
      {problem && (
        <Alert severity="error" sx={{ mt: 1 }} onClose={() => setProblem('')}>
          {problem}
        </Alert>
      )}
    </Box>
  );
}
