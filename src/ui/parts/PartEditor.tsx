'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { CONNECTORS, kindAt, linkKind, reader, type AnyKind, type Part, type PartRef } from '@/core/gear';
import { FigureGrid } from '../figures/FigureGrid';
import { FaultEditor } from './FaultEditor';
import { worded } from '@/core/units/conventions';
import { partEditor as text } from './texts';

interface Props {
  role: PartRef;
  part: Part;
  kinds: readonly AnyKind[];
  /** What it is called in labels; made from its place on the line where left out. */
  title?: string;
  /** Its name is edited elsewhere. */
  unnamed?: boolean;
  onChange: (role: PartRef, part: Part) => void;
}

const PLACE = { source: text.source, inlet: text.inlet } as const;

/** Everything about one part of a line: what it is, how it is set, its figures, its faults. */
export const PartEditor = memo(function PartEditor(props: Props) {
  const { role, part, kinds, unnamed, onChange: report } = props;
  const onChange = (to: Part) => report(role, to);
  const kind = kindAt(role, part.kind);
  const title = props.title ?? (typeof role === 'number' ? text.link(role + 1) : PLACE[role]);
  return (
    <Stack spacing={1.75} component="section" aria-label={text.details(title)}>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 240px), 1fr))' }}>
        <TextField
          select
          label={text.kind(title)}
          value={part.kind}
          onChange={(event) => onChange({ kind: event.target.value, ...(part.note && { note: part.note }) })}
          helperText={worded(kind.summary)}
        >
          {kinds.map((other) => (
            <MenuItem key={other.kind} value={other.kind}>
              {other.label}
            </MenuItem>
          ))}
        </TextField>
        {!unnamed && (
          <NameField
            key={part.kind}
            value={part.name ?? ''}
            placeholder={kind.label}
            onChange={(name) => onChange(withName(part, name))}
          />
        )}
        {Object.entries(kind.choices)
          .filter(([name]) => !(role === 'inlet' && name === 'feed'))
          .map(([name, spec]) => (
            <TextField
              key={name}
              select
              label={worded(spec.label)}
              value={part.choices?.[name] ?? spec.standard}
              helperText={worded(spec.question?.ask ?? spec.help ?? '')}
              onChange={(event) => onChange({ ...part, choices: { ...part.choices, [name]: event.target.value } })}
            >
              {spec.options.map(({ value, label }) => (
                <MenuItem key={value} value={value}>
                  {worded(label)}
                </MenuItem>
              ))}
            </TextField>
          ))}
      </Box>
      {kind.caution && (
        <Typography variant="body2" sx={{ fontWeight: 600 }} role="note">
          {kind.caution}
        </Typography>
      )}
      {'faults' in kind && kind.faults && (
        <FaultEditor
          faults={part.faults ?? []}
          contacts={CONNECTORS[linkKind(part.kind).ends(reader(kind, part)).input].contacts}
          onChange={(faults) => onChange(faults.length ? { ...part, faults } : without(part, 'faults'))}
        />
      )}
      {Object.keys(kind.figures).length > 0 && (
        <Stack spacing={1.5}>
          <Typography variant="h3" component="h4">
            {text.figures}
          </Typography>
          <FigureGrid
            key={part.kind}
            specs={kind.figures}
            figures={part.figures ?? {}}
            onChange={(name, figure) => {
              const figures = { ...part.figures };
              if (figure) figures[name] = figure;
              else delete figures[name];
              onChange({ ...part, figures });
            }}
          />
        </Stack>
      )}
    </Stack>
  );
});

const without = (part: Part, field: 'faults' | 'name'): Part => {
  const rest = { ...part };
  delete rest[field];
  return rest;
};

const withName = (part: Part, name: string): Part => (name ? { ...part, name } : without(part, 'name'));

/** A text that is taken over when the field is left, so that one change is one step to undo. */
export function NameField({
  value,
  placeholder,
  onChange,
  label = text.name,
}: {
  value: string;
  placeholder?: string;
  label?: string;
  onChange: (value: string) => void;
}) {
  // What is typed and not taken over yet; otherwise what stands there.
  const [draft, setDraft] = useState<string>();
  const commit = () => {
    const name = (draft ?? value).trim().slice(0, 80);
    setDraft(undefined);
    if (name !== value) onChange(name);
  };
  return (
    <TextField
      label={label}
      value={draft ?? value}
      placeholder={placeholder}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 80 } }}
    />
  );
}
