'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { memo, useState } from 'react';
import { INLETS, LINKS, SOURCES, kindAt, partAt, type Line, type Part, type PartRef } from '@/core/gear';
import type { Edit } from '@/core/gear/edits';
import { Facts } from '@/ui/parts/Facts';
import { NameField, PartEditor } from '@/ui/parts/PartEditor';
import { lineParts as text } from './texts';

interface Props {
  line: Line;
  part: PartRef;
  onPart: (part: PartRef) => void;
  onEdit: (edits: Edit[]) => void;
  onNote: (note: string) => void;
}

/** The line's name, note and parts; one part at a time is open for editing. */
export const LineParts = memo(function LineParts({ line, part, onPart, onEdit, onNote }: Props) {
  const chosen: PartRef = typeof part === 'number' && part >= line.links.length ? 'source' : part;
  const refs: PartRef[] = ['source', ...line.links.keys(), 'inlet'];
  const current = partAt(line, chosen);
  return (
    <Stack spacing={2}>
      <NameField
        key={line.id}
        label={text.line}
        value={line.name}
        onChange={(name) => name && onEdit([{ do: 'rename', name }])}
      />
      <Box
        component="ol"
        aria-label={text.partsOfThisLine}
        sx={{ listStyle: 'none', m: 0, p: 0, borderTop: 1, borderColor: 'divider' }}
      >
        {refs.map((ref) => {
          const each = partAt(line, ref);
          const on = ref === chosen;
          return (
            <Box component="li" key={String(ref)} sx={{ borderBottom: 1, borderColor: 'divider' }}>
              <Button
                onClick={() => onPart(ref)}
                aria-pressed={on}
                color={on ? 'primary' : 'inherit'}
                sx={{
                  width: '100%',
                  justifyContent: 'flex-start',
                  textAlign: 'left',
                  fontWeight: on ? 700 : 500,
                  py: 0.25,
                }}
              >
                {each.name || kindAt(ref, each.kind).label}
              </Button>
            </Box>
          );
        })}
      </Box>
      <PartEditor
        key={`${line.id}.${chosen}`}
        role={chosen}
        part={withoutSwitch(chosen, current)}
        kinds={chosen === 'source' ? SOURCES : chosen === 'inlet' ? INLETS : LINKS}
        onChange={(ref, to) => onEdit([{ do: 'replace', part: ref, with: to }])}
      />
      <Facts part={current} kind={kindAt(chosen, current.kind)} />
      {typeof chosen === 'number' && (
        <Button
          color="error"
          sx={{ alignSelf: 'flex-start' }}
          onClick={() => {
            onEdit([{ do: 'remove', at: chosen }]);
            onPart('source');
          }}
        >
          {text.removeThisLink}
        </Button>
      )}
      <NoteField key={line.note ?? ''} value={line.note ?? ''} onChange={onNote} />
    </Stack>
  );
});

/** An inlet's name is made of its device's and its own; here only what it is can be changed. */
const withoutSwitch = (ref: PartRef, part: Part): Part => {
  if (ref !== 'inlet') return part;
  const { name: _made, ...rest } = part;
  return rest;
};

function NoteField({ value, onChange }: { value: string; onChange: (note: string) => void }) {
  const [draft, setDraft] = useState(value);
  return (
    <TextField
      label={text.note}
      multiline
      minRows={2}
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={() => draft.trim() !== value && onChange(draft.trim())}
      slotProps={{ htmlInput: { maxLength: 500 } }}
    />
  );
}
