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
import { groupOf, type Device, type RigDocument } from '@/core/rig';
import { withDevice } from '@/core/rig/rigEdits';
import { inletFigures, LAMPS, type InletReading, type Lamps, type Means } from '@/core/testing';
import { feedLabel, isPhantom, type FeedName } from '@/core/standards/feeds';
import type { SavedInletSheet } from '@/store/testing';
import { ask } from '@/ui/shell/ask';
import { useDraft } from '@/ui/shell/useDraft';
import { capital, findingText, LAMP_WORDS, numberIn } from './words';

/** What was typed and tapped, by inlet. */
interface Typed {
  device: string;
  by: 'lamps' | 'meter';
  share: string;
  digits: string;
  load: string;
  tolerance: string;
  rows: Record<string, { lamps?: Lamps; cells?: Record<Cell, string> }>;
}
const CELLS = ['open2', 'open3', 'loaded2', 'loaded3'] as const;
type Cell = (typeof CELLS)[number];
const HEADS: Record<Cell, string> = {
  open2: 'Open 2-1',
  open3: 'Open 3-1',
  loaded2: 'Load 2-1',
  loaded3: 'Load 3-1',
};
const NEW: Typed = { device: '', by: 'lamps', share: '0.5', digits: '0.01', load: '6800', tolerance: '0.1', rows: {} };
const EMPTY: Record<Cell, string> = { open2: '', open3: '', loaded2: '', loaded3: '' };

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
    return isPhantom(feed) ? [{ id: inlet.id, name: inlet.name ?? `inlet ${inlet.id}`, feed }] : [];
  });

/** What has to be typed before a row says anything, or all that it could. */
function missingIn(cells: Record<Cell, string> | undefined): string {
  if (!cells || CELLS.every((cell) => cells[cell].trim() === '')) return '';
  const wrong = CELLS.find((cell) => cells[cell].trim() !== '' && numberIn(cells[cell]) === undefined);
  if (wrong) return `${HEADS[wrong]}: a number, such as 47.9`;
  const [open2, open3, loaded2, loaded3] = CELLS.map((cell) => cells[cell].trim() !== '');
  if (!open2 || !open3) return 'Both open voltages come first.';
  return loaded2 !== loaded3 ? 'Under load, both pins or neither.' : '';
}

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
  if (!device)
    return (
      <Typography sx={{ p: 2 }}>
        No inlet of this rig has a phantom feed on. Turn one on in Rig; then its inlets are tested here in a row.
      </Typography>
    );
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
  const set = (inlet: string, to: Typed['rows'][string]) =>
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
    return volts && ohms ? [{ inlet: reading.inlet, volts, ohms }] : [];
  });
  const use = () => {
    onChange((from) =>
      withDevice(from, device.id, (known) => ({
        ...known,
        inlets: known.inlets.map((inlet) => {
          const own = measured.find((each) => each.inlet === inlet.id);
          if (!own) return inlet;
          const [volts, ohms] = [own.volts, own.ohms].map(([two, three]) => (two.value + three.value) / 2);
          return {
            ...inlet,
            figures: {
              ...inlet.figures,
              feedVolts: { value: Number(volts.toFixed(2)), unit: 'V', basis: 'measured' },
              feedResistance: { value: Math.round(ohms), unit: 'Ω', basis: 'measured' },
            },
          };
        }),
      })),
    );
    onTold(
      `${device.name}: what ${measured.length === 1 ? 'its inlet gives' : `${measured.length} inlets give`} is on the rig now, as measured. Ctrl Z takes it back.`,
    );
  };
  const meterField = (name: 'share' | 'digits' | 'load' | 'tolerance', label: string) => (
    <TextField
      label={label}
      value={typed[name]}
      error={numberIn(typed[name]) === undefined}
      helperText={numberIn(typed[name]) === undefined ? 'A number, such as 0.5' : undefined}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value.slice(0, 8) })}
      sx={{ width: 168 }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, pt: 2, pb: { xs: 12, md: 4 }, maxWidth: 820 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Inlets in a row
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mb: 1 }}>
        <TextField
          select
          label="Device"
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
          aria-label="Read by"
        >
          <ToggleButton value="lamps">Two-lamp stick</ToggleButton>
          <ToggleButton value="meter">Meter and load</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      <Typography variant="body2" sx={{ mb: 1 }}>
        Monitors down, headphones off. Feed off, wait, unplug every source on it; then feed on once and read all of
        them. Feed off and wait again before anything is plugged back.{' '}
        {by === 'lamps' && 'Lamps say which pins have a feed, not how strong it is: a load shows that.'}
      </Typography>
      {by === 'meter' && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 1.5 }}>
          {meterField('share', 'Meter, % of reading')}
          {meterField('digits', 'Last digits, V')}
          {meterField('load', 'Load, Ω')}
          {meterField('tolerance', 'Load within, %')}
        </Box>
      )}
      <Box ref={table} role="list" aria-label={`Inlets of ${device.name}`} onKeyDown={onEnter}>
        {inlets.map((inlet) => {
          const reading = readingOf(inlet);
          const findings = reading ? inletFigures(reading, means).findings : [];
          const row = rows[keyOf(inlet.id)];
          return (
            <Box
              key={inlet.id}
              role="listitem"
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '92px auto minmax(120px, 1fr)' },
                columnGap: 1.5,
                rowGap: 0.5,
                alignItems: 'center',
                borderBottom: 1,
                borderColor: 'divider',
                py: 0.75,
              }}
            >
              <Box>
                <Typography sx={{ fontWeight: 650 }}>{capital(inlet.name)}</Typography>
                <Typography variant="caption" color="textSecondary">
                  {feedLabel(inlet.feed)}
                </Typography>
              </Box>
              {by === 'lamps' ? (
                <ToggleButtonGroup
                  exclusive
                  size="small"
                  value={row?.lamps ?? null}
                  onChange={(_, lamps: Lamps | null) => set(inlet.id, { lamps: lamps ?? undefined })}
                  aria-label={`Lamps at ${inlet.name}`}
                >
                  {LAMPS.map((lamps) => (
                    <ToggleButton key={lamps} value={lamps} sx={{ minHeight: 44, px: 1.25 }}>
                      {LAMP_WORDS[lamps]}
                    </ToggleButton>
                  ))}
                </ToggleButtonGroup>
              ) : (
                <Box sx={{ display: 'flex', gap: 0.75 }}>
                  {CELLS.map((cell) => (
                    <TextField
                      key={cell}
                      label={HEADS[cell]}
                      value={row?.cells?.[cell] ?? ''}
                      error={Boolean(row?.cells?.[cell]?.trim()) && numberIn(row!.cells![cell]) === undefined}
                      onChange={(event) =>
                        set(inlet.id, { cells: { ...EMPTY, ...row?.cells, [cell]: event.target.value.slice(0, 8) } })
                      }
                      sx={{ width: 92 }}
                      slotProps={{
                        htmlInput: { inputMode: 'decimal', 'aria-label': `${inlet.name}, ${HEADS[cell]}, V` },
                      }}
                    />
                  ))}
                </Box>
              )}
              <Box role="status">
                {by === 'meter' && (
                  <Typography variant="body2" color="textSecondary">
                    {missingIn(row?.cells)}
                  </Typography>
                )}
                {reading && findings.length === 0 && <Typography variant="body2">as it should be</Typography>}
                {findings.map(({ what, sure }) => (
                  <Typography
                    key={what}
                    variant="body2"
                    sx={(theme) => ({
                      fontWeight: sure ? 650 : 400,
                      color: sure ? theme.vars!.palette.verdict.Stop : 'text.secondary',
                    })}
                  >
                    {findingText({ what, sure })}
                  </Typography>
                ))}
              </Box>
            </Box>
          );
        })}
      </Box>
      {problem && (
        <Alert severity="error" sx={{ mt: 1 }} onClose={() => setProblem('')}>
          Not kept: {problem}
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2, alignItems: 'center' }}>
        <Button
          variant="contained"
          disabled={sending || readings.length === 0 || (by === 'meter' && !known)}
          onClick={() => void keep()}
          sx={{ minHeight: 48 }}
        >
          Keep this sheet
        </Button>
        {measured.length > 0 && known && (
          <Button variant="outlined" onClick={use} sx={{ minHeight: 48 }}>
            Use them on the rig, as measured
          </Button>
        )}
        <Typography variant="body2" color="textSecondary" role="status">
          {readings.length} of {inlets.length} read
          {others > 0 && `. ${others} without a phantom feed on ${others === 1 ? 'is' : 'are'} not listed`}
        </Typography>
      </Box>
    </Box>
  );
}
