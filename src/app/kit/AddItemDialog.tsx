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
import { useState } from 'react';
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
  onAdd: (item: KitItem) => void;
}) {
  const [choice, setChoice] = useState<Choice | null>(null);
  const [name, setName] = useState('');
  const [asked, setAsked] = useState(false);
  const add = () => {
    setAsked(true);
    if (!choice) return;
    const called = freeName(items, name.trim() || choice.label);
    onAdd(choice.make({ id: freeId(items, called), name: called, count: 1 }));
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
              options={CHOICES}
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
            Add it
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
