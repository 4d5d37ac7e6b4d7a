'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { inletKind, type Part } from '@/core/gear';
import { groupOf, type Device, type RigDocument } from '@/core/rig';
import { withDevice } from '@/core/rig/rigEdits';
import { inletFigures, type InletReading, type Means, type Measured } from '@/core/testing';
import { isPhantom, type FeedName } from '@/core/standards/feeds';
import type { SavedInletSheet } from '@/store/testing';
import { ask } from '@/ui/shell/ask';
import { useDraft } from '@/ui/shell/useDraft';
import { CELLS, InletRow, type InletTyped } from './InletRow';
import { numberIn } from './words';
import { inletsView as texts } from './texts';

/** What was typed and tapped, by inlet. */
interface Typed {
  device: string;
  by: 'lamps' | 'meter';
  share: string;
  digits: string;
  load: string;
  tolerance: string;
  rows: Record<string, InletTyped>;
}
const NEW: Typed = { device: '', by: 'lamps', share: '0.5', digits: '0.01', load: '6800', tolerance: '0.1', rows: {} };

interface Props {
  rig: string;
  document: RigDocument;
  who: string;
  onKept: (sheet: SavedInletSheet) => void;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** Which of a device's inlets have a phantom feed now. */
const fedInlets = (device: Device): { id: string; name: string; feed: FeedName }[] =>
  device.inlets.flatMap((inlet) => {
    const feed = groupOf(device, inlet.id)?.feed ?? 'off';
    return isPhantom(feed) ? [{ id: inlet.id, name: inlet.name ?? texts.inlet(inlet.id), feed }] : [];
  });

const meanOf = ([two, three]: [Measured, Measured]): number => (two.value + three.value) / 2;

/** Whether figures lie where the kind of an inlet may have them. */
const canHave = ({ kind }: Part, figures: Record<string, number>): boolean =>
  Object.entries(figures).every(([name, value]) => {
    const spec = inletKind(kind).figures[name];
    return spec !== undefined && value >= spec.min && value <= spec.max;
  });

/** Every inlet of a device in a row: which pins have a feed, how much, how strong; what of it fails the standard. */
export function InletsView({ rig, document, who, onKept, onChange, onTold }: Props) {
  const [typed, setTyped] = useDraft<Typed>(`inlets ${rig}`, NEW);
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState('');
  const table = useRef<HTMLDivElement>(null);
  const { by, share, digits, load, tolerance, rows } = typed;
  const devices = document.devices.filter((device) => fedInlets(device).length > 0);
  const device = devices.find(({ id }) => id === typed.device) ?? devices[0];
  const means: Means = useMemo(
    () => ({
      meter: { share: (numberIn(share) ?? 0.5) / 100, digits: numberIn(digits) ?? 0.01 },
      load: numberIn(load) ?? 6800,
      loadTolerance: (numberIn(tolerance) ?? 0.1) / 100,
    }),
    [share, digits, load, tolerance],
  );
  if (!device) return <Typography sx={{ p: 2 }}>{texts.noInletOfThisRig}</Typography>;
  const inlets = fedInlets(device);
  const others = device.inlets.length - inlets.length;
  const known = [share, digits, load, tolerance].every((text) => numberIn(text) !== undefined);
  const keyOf = (inlet: string) => `${device.id} ${inlet}`;
  const readingOf = ({ id, name, feed }: (typeof inlets)[number]): InletReading | undefined => {
    const row = rows[keyOf(id)];
    const head = { inlet: id, name, feed };
    if (by === 'lamps') return row?.lamps && { ...head, lamps: row.lamps };
    const [o2, o3, l2, l3] = CELLS.map((cell) => numberIn(row?.cells?.[cell] ?? ''));
    if (o2 === undefined || o3 === undefined) return undefined;
    return {
      ...head,
      open: [o2, o3],
      ...(l2 !== undefined && l3 !== undefined && { loaded: [l2, l3] as [number, number] }),
    };
  };
  const readings = inlets.flatMap((inlet) => readingOf(inlet) ?? []);
  const set = (inlet: string, to: InletTyped) =>
    setTyped((from) => ({ ...from, rows: { ...from.rows, [keyOf(inlet)]: { ...from.rows[keyOf(inlet)], ...to } } }));
  /** Enter goes on to the next field: nobody has a hand for anything else. */
  const onEnter = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const fields = [...table.current!.querySelectorAll('input')];
    fields[fields.indexOf(event.target as HTMLInputElement) + 1]?.focus();
  };
  const keep = async () => {
    setSending(true);
    const { body, failed } = await ask<SavedInletSheet>(`/api/rigs/${rig}/inlet-sheets`, {
      method: 'POST',
      json: { device: device.id, name: device.name, who, means, readings },
    });
    setSending(false);
    setProblem(failed ?? '');
    if (!body) return;
    setTyped((from) => ({
      ...from,
      rows: Object.fromEntries(Object.entries(from.rows).filter(([key]) => !key.startsWith(`${device.id} `))),
    }));
    onKept(body);
  };
  const measured = readings.flatMap((reading) => {
    const { volts, ohms } = inletFigures(reading, means);
    if (!volts || !ohms) return [];
    const own = device.inlets.find(({ id }) => id === reading.inlet)!;
    const figures = { feedVolts: meanOf(volts), feedResistance: meanOf(ohms) };
    // What no inlet can have was misread: it is told above, and goes nowhere.
    return canHave(own, figures) ? [{ inlet: reading.inlet, ...figures }] : [];
  });
  const use = () => {
    onChange((from) =>
      withDevice(from, device.id, (known) => ({
        ...known,
        inlets: known.inlets.map((inlet) => {
          const own = measured.find((each) => each.inlet === inlet.id);
          if (!own) return inlet;
          return {
            ...inlet,
            figures: {
              ...inlet.figures,
              feedVolts: { value: Number(own.feedVolts.toFixed(2)), unit: 'V', basis: 'measured' },
              feedResistance: { value: Math.round(own.feedResistance), unit: 'Ω', basis: 'measured' },
            },
          };
        }),
      })),
    );
    onTold(texts.whatIsOnTheRig(device.name, measured.length));
  };
  const meterField = (name: 'share' | 'digits' | 'load' | 'tolerance', label: string) => (
    <TextField
      label={label}
      value={typed[name]}
      error={numberIn(typed[name]) === undefined}
      helperText={numberIn(typed[name]) === undefined ? texts.aNumberSuchAs0 : undefined}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value.slice(0, 8) })}
      sx={{ width: 168 }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, pt: 2, pb: { xs: 12, md: 4 }, maxWidth: 820 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {texts.inletsInARow}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mb: 1 }}>
        <TextField
          select
          label={texts.device}
          value={device.id}
          onChange={(event) => setTyped({ ...typed, device: event.target.value })}
          sx={{ width: 220 }}
        >
          {devices.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <ToggleButtonGroup
          exclusive
          value={by}
          onChange={(_, to: Typed['by'] | null) => to && setTyped({ ...typed, by: to })}
          aria-label={texts.readBy}
        >
          <ToggleButton value="lamps">{texts.twoLampStick}</ToggleButton>
          <ToggleButton value="meter">{texts.meterAndLoad}</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {texts.monitorsDownHeadphonesOffFeed}
        {by === 'lamps' && texts.lampsSayWhichPins}
      </Typography>
      {by === 'meter' && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 1.5 }}>
          {meterField('share', texts.meterOfReading)}
          {meterField('digits', texts.lastDigitsV)}
          {meterField('load', texts.load)}
          {meterField('tolerance', texts.loadWithin)}
        </Box>
      )}
      <Box ref={table} role="list" aria-label={texts.inletsOf(device.name)} onKeyDown={onEnter}>
        {inlets.map((inlet) => (
          <InletRow
            key={inlet.id}
            inlet={inlet}
            by={by}
            row={rows[keyOf(inlet.id)]}
            reading={readingOf(inlet)}
            means={means}
            onSet={(to) => set(inlet.id, to)}
          />
        ))}
      </Box>
      {problem && (
        <Alert severity="error" sx={{ mt: 1 }} onClose={() => setProblem('')}>
          {texts.notKept(problem)}
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2, alignItems: 'center' }}>
        <Button
          variant="contained"
          disabled={sending || readings.length === 0 || (by === 'meter' && !known)}
          onClick={() => void keep()}
          sx={{ minHeight: 48 }}
        >
          {texts.keepThisSheet}
        </Button>
        {measured.length > 0 && known && (
          <Button variant="outlined" onClick={use} sx={{ minHeight: 48 }}>
            {texts.useThemOnTheRig}
          </Button>
        )}
        <Typography variant="body2" color="textSecondary" role="status">
          {texts.ofRead(readings.length, inlets.length, others)}
        </Typography>
      </Box>
    </Box>
  );
}
