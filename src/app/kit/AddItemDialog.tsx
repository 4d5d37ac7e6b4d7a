'use client';

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { LINKS, SOURCES } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import { emptyRig, freeId, freeName, newDevice } from '@/core/rig';
import { USUAL } from '@/core/standards/feeds';
import { worded } from '@/core/units/conventions';
import { FormDialog } from '@/ui/shell/FormDialog';
import { addItemDialog as text } from './texts';

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
    group: text.sources,
    label,
    summary,
    words,
    make: (head) => ({ ...head, role: 'source', part: { kind } }),
  })),
  ...LINKS.map(({ kind, label, summary, words }): Choice => ({
    group: text.linksAndSupplies,
    label,
    summary,
    words,
    make: (head) => ({ ...head, role: 'link', part: { kind } }),
  })),
  {
    group: text.devices,
    label: text.deviceWithInlets,
    words: ['mixer', 'desk', 'recorder', 'interface', 'camera', 'console', 'stage box', 'XLR'],
    summary: text.aRecorderDeskInterfaceCamera,
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
  group: text.likeOneYou,
  label: item.name,
  summary: text.itsFiguresAndChoices,
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
    <FormDialog
      title={text.addToTheKit}
      submit={wanted > 1 && name.includes('#') ? text.addItems(wanted) : text.addItem}
      onSubmit={add}
      onClose={onClose}
    >
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
              label={text.fromTheCatalogue}
              autoFocus
              error={asked && !choice}
              helperText={asked && !choice ? text.chooseWhat : worded(choice?.summary ?? '')}
            />
          )}
        />
        <TextField
          label={text.name}
          value={name}
          placeholder={choice?.label}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 80 } }}
        />
        <TextField
          label={text.howMany}
          value={count}
          onChange={(event) => setCount(event.target.value)}
          error={!valid}
          helperText={valid ? text.withInTheName : text.from1To(MOST)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Typography variant="caption" color="textSecondary">
          {text.typicalFiguresAreUsedUntil}
        </Typography>
      </Stack>
    </FormDialog>
  );
}
