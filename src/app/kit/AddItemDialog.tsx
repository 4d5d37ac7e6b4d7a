'use client';

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { LINKS, SOURCES } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import { emptyRig, freeId, freeName, newDevice } from '@/core/rig';
import { USUAL } from '@/core/standards/feeds';

interface Choice {
  group: string;
  label: string;
  summary: string;
  /** What the trade calls it besides. */
  words?: readonly string[];
  make: (head: { id: string; name: string; count: number }) => KitItem;
}

const CHOICES: Choice[] = [
  ...SOURCES.map(({ kind, label, summary, words }): Choice => ({
    group: 'Sources',
    label,
    summary,
    words,
    make: (head) => ({ ...head, role: 'source', part: { kind } }),
  })),
  ...LINKS.map(({ kind, label, summary, words }): Choice => ({
    group: 'Links and supplies',
    label,
    summary,
    words,
    make: (head) => ({ ...head, role: 'link', part: { kind } }),
  })),
  {
    group: 'Devices',
    label: 'Device with inlets',
    words: ['mixer', 'desk', 'recorder', 'interface', 'camera', 'console', 'stage box', 'XLR'],
    summary: 'A recorder, desk, interface, camera or transmitter: its inlets and their switches.',
    make: (head) => {
      const { inlets, groups } = newDevice(emptyRig('kit'), {
        name: head.name,
        kind: 'three-pin',
        inlets: 2,
        perSwitch: 2,
        offers: [USUAL],
      });
      return { ...head, role: 'device', device: { inlets, groups } };
    },
  },
];

/** Most that are added at once. */
const MOST = 200;

/** Another one like an item that is there: its figures and choices, and nothing of its history. */
const likeOne = (item: KitItem): Choice => ({
  group: 'Like one you have',
  label: item.name,
  summary: 'Its figures and choices are copied.',
  make: (head) => {
    const { register: _register, ...copy } = structuredClone(item);
    return { ...copy, ...head };
  },
});

/** Found by the trade’s words as well. */
const byWords = createFilterOptions<Choice>({
  stringify: ({ label, words = [] }) => [label, ...words].join(' · '),
});

/** Copies something from the generic catalogue into the kit. */
export function AddItemDialog({
  items,
  onClose,
  onAdd,
}: {
  items: readonly KitItem[];
  onClose: () => void;
  onAdd: (items: KitItem[]) => void;
}) {
  const [choice, setChoice] = useState<Choice | null>(null);
  const [name, setName] = useState('');
  const [count, setCount] = useState('1');
  const [asked, setAsked] = useState(false);
  const wanted = Number(count);
  const valid = Number.isInteger(wanted) && wanted >= 1 && wanted <= MOST;
  const choices = useMemo(() => [...CHOICES, ...items.map(likeOne)], [items]);
  const add = () => {
    setAsked(true);
    if (!choice || !valid) return;
    const called = name.trim() || choice.label;
    // With # each is an item of its own, as cables with labels are; without, one item of which there are so many.
    const each = called.includes('#');
    const made: KitItem[] = [];
    for (let n = 0; n < (each ? wanted : 1); n++) {
      const all = [...items, ...made];
      const wish = called.replaceAll('#', String(n + 1));
      const own = all.some(({ name: taken }) => taken === wish) ? freeName(all, wish) : wish;
      made.push(choice.make({ id: freeId(all, own), name: own, count: each ? 1 : wanted }));
    }
    onAdd(made);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <DialogTitle>Add to the kit</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 0.5 }}>
            <Autocomplete
              options={choices}
              filterOptions={byWords}
              groupBy={({ group }) => group}
              value={choice}
              onChange={(_, to) => setChoice(to)}
              renderInput={(params) => (
                <TextField
                  {...params}
                  label="From the catalogue"
                  autoFocus
                  error={asked && !choice}
                  helperText={asked && !choice ? 'Choose what it is' : choice?.summary}
                />
              )}
            />
            <TextField
              label="Name"
              value={name}
              placeholder={choice?.label}
              onChange={(event) => setName(event.target.value)}
              slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 80 } }}
            />
            <TextField
              label="How many"
              value={count}
              onChange={(event) => setCount(event.target.value)}
              error={!valid}
              helperText={
                valid
                  ? 'With # in the name each is an item of its own: cable A # becomes cable A 1, cable A 2 …'
                  : `1 to ${MOST}`
              }
              slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            />
            <Typography variant="caption" color="textSecondary">
              Typical figures are used until you enter the data sheet.
            </Typography>
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose} color="inherit">
            Cancel
          </Button>
          <Button type="submit" variant="contained">
            {wanted > 1 && name.includes('#') ? `Add ${wanted} items` : 'Add item'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
