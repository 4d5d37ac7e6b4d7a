'use client';

import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent, type ReactNode } from 'react';
import { isCable } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import type { InletRef, RigDocument } from '@/core/rig';
import { manyPanel as texts } from './texts';

/** What can be done to several lines; each says why where it cannot be done. */
export interface ManyActions {
  cable: (text: string) => Promise<string | undefined>;
  position: (name: string) => Promise<string | undefined>;
  note: (text: string) => Promise<string | undefined>;
  names: (series: string) => Promise<string | undefined>;
  move: (from: InletRef) => Promise<string | undefined>;
  duplicate: () => void;
  remove: () => void;
  copy: () => void;
  /** How many lines were copied last, here or in another rig. */
  copied: number;
  paste: () => void;
  clear: () => void;
}

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  ids: readonly string[];
  actions: ManyActions;
}

/** Several lines at once: what is set here is set on each of them. */
export function ManyPanel({ document, kit, ids, actions }: Props) {
  const [refused, setRefused] = useState<string>();
  const names = ids.map((id) => document.lines.find((line) => line.id === id)?.name ?? id);
  const cables = [...new Set(kit.flatMap((item) => (item.role === 'link' && isCable(item.part) ? [item.name] : [])))];
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h1" component="h2">
        {texts.marked(ids.length)}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        {names.slice(0, 6).join(' · ')}
        {names.length > 6 && texts.andMore(names.length - 6)}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1.5 }}>
        <Button variant="outlined" onClick={actions.duplicate}>
          {texts.duplicate(ids.length)}
        </Button>
        <Button variant="outlined" onClick={actions.copy}>
          {texts.copy(ids.length)}
        </Button>
        <Button variant="outlined" color="error" onClick={actions.remove}>
          {texts.remove(ids.length)}
        </Button>
        <Button color="inherit" onClick={actions.clear}>
          {texts.clearMarks}
        </Button>
      </Box>
      <Box aria-live="polite">
        {refused && (
          <Alert severity="error" sx={{ mb: 1.5 }}>
            {texts.nothingWasChanged(refused)}
          </Alert>
        )}
      </Box>
      <Setting
        label={texts.cableOf}
        button={texts.setCable}
        help={texts.aLengthSuchAs10}
        options={cables}
        onSet={(text) => void actions.cable(text).then(setRefused)}
      />
      <Setting
        label={texts.positionOfEachSource}
        button={texts.setPosition}
        options={(document.locations ?? []).map(({ name }) => name)}
        onSet={(text) => void actions.position(text).then(setRefused)}
      />
      <Setting
        label={texts.addToEachNote}
        button={texts.addNote}
        onSet={(text) => void actions.note(text).then(setRefused)}
      />
      <Setting
        label={texts.namesInASeries}
        button={texts.setNames}
        help={texts.countsGuest}
        onSet={(text) => void actions.names(text).then(setRefused)}
      />
      <MoveTo document={document} count={ids.length} onMove={(from) => void actions.move(from).then(setRefused)} />
    </Box>
  );
}

interface SettingProps {
  label: string;
  button: string;
  help?: string;
  options?: string[];
  onSet: (text: string) => void;
}

function Setting({ label, button, help, options = [], onSet }: SettingProps) {
  const [text, setText] = useState('');
  const set = (event: FormEvent) => {
    event.preventDefault();
    if (!text.trim()) return;
    onSet(text.trim());
    setText('');
  };
  return (
    <Line onSubmit={set} button={button} disabled={!text.trim()}>
      <Autocomplete
        freeSolo
        fullWidth
        options={options}
        inputValue={text}
        onInputChange={(_, to) => setText(to)}
        renderInput={(params) => <TextField {...params} label={label} helperText={help} />}
      />
    </Line>
  );
}

function MoveTo({
  document,
  count,
  onMove,
}: {
  document: RigDocument;
  count: number;
  onMove: (from: InletRef) => void;
}) {
  const [device, setDevice] = useState(document.devices[0]?.id ?? '');
  const [inlet, setInlet] = useState('');
  const inlets = document.devices.find(({ id }) => id === device)?.inlets ?? [];
  const from = inlets.some(({ id }) => id === inlet) ? inlet : (inlets[0]?.id ?? '');
  return (
    <Line
      onSubmit={(event) => {
        event.preventDefault();
        onMove({ device, inlet: from });
      }}
      button={count === 1 ? texts.moveLine : texts.moveLines}
      disabled={from === ''}
    >
      <TextField
        select
        label={texts.to}
        value={device}
        onChange={({ target }) => setDevice(target.value)}
        sx={{ flex: 1, minWidth: 0 }}
      >
        {document.devices.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={texts.fromInlet}
        value={from}
        onChange={({ target }) => setInlet(target.value)}
        sx={{ minWidth: 78 }}
      >
        {inlets.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name ?? id}
          </MenuItem>
        ))}
      </TextField>
    </Line>
  );
}

interface LineProps {
  onSubmit: (event: FormEvent) => void;
  button: string;
  disabled: boolean;
  children: ReactNode;
}

/** Fields with the button that does what they say; Enter does it too. */
const Line = ({ onSubmit, button, disabled, children }: LineProps) => (
  <Box component="form" onSubmit={onSubmit} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mb: 1.5 }}>
    {children}
    <Button
      type="submit"
      variant="outlined"
      disabled={disabled}
      sx={{ minHeight: { xs: 44, md: 40 }, whiteSpace: 'nowrap', flexShrink: 0, px: 1.25 }}
    >
      {button}
    </Button>
  </Box>
);
