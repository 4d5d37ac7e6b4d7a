'use client';

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { CONNECTORS, inletKind, reader, SOURCES, sourceKind, type Part } from '@/core/gear';
import { partOf, type KitItem } from '@/core/kit';
import {
  addLine,
  freeInlets,
  freeName,
  freeSockets,
  plugInto,
  startFrom,
  type FreeSocket,
  type RigDocument,
} from '@/core/rig';
import type { FreeInlet } from '@/core/gear/edits';
import { FormDialog } from '@/ui/shell/FormDialog';
import { newLineDialog as text } from './texts';

interface Choice<T> {
  group: string;
  label: string;
  /** What the trade calls it besides. */
  words?: readonly string[];
  to: T;
}
type Start = { part: Part } | { socket: FreeSocket };
type End = { inlet: FreeInlet } | { socket: FreeSocket };

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  onClose: () => void;
  /** The document with the new line, and its id. */
  onAdd: (document: RigDocument, id: string) => void;
}

/** Found by the trade’s words as well. */
const byWords = createFilterOptions<Choice<Start>>({
  stringify: ({ label, words = [] }) => [label, ...words].join(' · '),
});

/** A new line: what makes the sound, and where it goes in. */
export function NewLineDialog({ document, kit, onClose, onAdd }: Props) {
  const sockets = useMemo(() => freeSockets(document), [document]);
  const starts = useMemo(() => startsOf(kit, sockets), [kit, sockets]);
  const ends = useMemo(() => endsOf(document, sockets), [document, sockets]);
  const [start, setStart] = useState<Choice<Start> | null>(null);
  const [end, setEnd] = useState<Choice<End> | null>(null);
  const [name, setName] = useState('');
  const [asked, setAsked] = useState(false);
  const missing = document.devices.length === 0 ? text.addADeviceFirst : undefined;

  const add = () => {
    setAsked(true);
    if (!start || !end) return;
    const made = newLine(document, freeName(document.lines, name.trim() || start.label), start.to, end.to);
    onAdd(made.document, made.id);
  };
  return (
    <FormDialog
      title={text.newLine}
      submit={text.addTheLine}
      blocked={Boolean(missing)}
      onSubmit={add}
      onClose={onClose}
    >
      <Stack spacing={2} sx={{ pt: 0.5 }}>
        {missing && <Typography color="error">{missing}</Typography>}
        <Autocomplete
          options={starts}
          filterOptions={byWords}
          groupBy={({ group }) => group}
          value={start}
          onChange={(_, to) => setStart(to)}
          isOptionEqualToValue={(a, b) => a.label === b.label && a.group === b.group}
          renderInput={(params) => (
            <TextField
              {...params}
              label={text.source}
              autoFocus
              error={asked && !start}
              helperText={asked && !start ? text.chooseWhatMakesTheSound : text.fromYourKit}
            />
          )}
        />
        <Autocomplete
          options={ends}
          groupBy={({ group }) => group}
          value={end}
          onChange={(_, to) => setEnd(to)}
          isOptionEqualToValue={(a, b) => a.label === b.label && a.group === b.group}
          renderInput={(params) => (
            <TextField
              {...params}
              label={text.inlet}
              error={asked && !end}
              helperText={asked && !end ? text.chooseAFreeInlet : text.freeInletsSplitterOutputs}
            />
          )}
        />
        <TextField
          label={text.nameOfTheLine}
          value={name}
          onChange={(event) => setName(event.target.value)}
          placeholder={start?.label}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 80 } }}
        />
      </Stack>
    </FormDialog>
  );
}

const startsOf = (kit: readonly KitItem[], sockets: readonly FreeSocket[]): Choice<Start>[] => [
  ...kit.flatMap((item): Choice<Start>[] =>
    item.role === 'source' ? [{ group: text.yourKit, label: item.name, to: { part: partOf(item) } }] : [],
  ),
  ...SOURCES.map(({ kind, label, words }): Choice<Start> => ({
    group: text.catalogue,
    label,
    words,
    to: { part: { kind } },
  })),
  ...sockets
    .filter(({ side }) => side !== 'input')
    .map((socket): Choice<Start> => ({ group: text.fromAnotherLine, label: socketLabel(socket), to: { socket } })),
];

const endsOf = (document: RigDocument, sockets: readonly FreeSocket[]): Choice<End>[] => [
  ...freeInlets(document).map((inlet): Choice<End> => ({
    group: document.devices.find(({ id }) => id === inlet.to.device)!.name,
    label: inlet.inlet.name ?? inlet.to.inlet,
    to: { inlet },
  })),
  ...sockets
    .filter(({ side }) => side !== 'output')
    .map((socket): Choice<End> => ({ group: text.intoAnotherLine, label: socketLabel(socket), to: { socket } })),
];

const socketLabel = ({ lineName, linkName, label }: FreeSocket): string => `${lineName}: ${linkName}, ${label}`;

/** A line from a start to an end; a cable of the source's connector in between where both are plain. */
function newLine(document: RigDocument, name: string, start: Start, end: End): { document: RigDocument; id: string } {
  const somewhere = freeInlets(document)[0]?.to ?? {
    device: document.devices[0].id,
    inlet: document.devices[0].inlets[0].id,
  };
  const part: Part = 'part' in start ? start.part : { kind: 'moving-coil' };
  const cable = 'part' in start && 'inlet' in end ? cableBetween(part, end.inlet) : [];
  const to = 'inlet' in end ? end.inlet.to : somewhere;
  let next = addLine(document, { name, source: part, links: cable, inlet: to });
  const { id } = next.lines[next.lines.length - 1];
  if ('socket' in start) next = startFrom(next, id, start.socket);
  if ('socket' in end) next = plugInto(next, id, end.socket);
  return { document: next, id };
}

function cableBetween(source: Part, { inlet }: FreeInlet): Part[] {
  const kind = sourceKind(source.kind);
  const connector = kind.connector(reader(kind, source));
  const fits = inletKind(inlet.kind).sockets.some((socket) => CONNECTORS[socket].size === CONNECTORS[connector].size);
  return fits && CONNECTORS[connector].size !== '3.5 mm' ? [{ kind: 'cable', choices: { connector } }] : [];
}
