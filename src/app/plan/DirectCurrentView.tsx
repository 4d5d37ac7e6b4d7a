'use client';

import AddIcon from '@mui/icons-material/Add';
import EditOutlinedIcon from '@mui/icons-material/EditOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { checkDirectCurrent, dcOptions, type DcOption, type DcResult } from '@/core/plan';
import type { DcLoad, DcSupply, DirectCurrent, RigDocument } from '@/core/rig';
import { quantity } from '@/core/units/format';
import { worded } from '@/core/units/conventions';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { PlanWorker } from '@/workers/planWorker';
import { LoadDialog } from './LoadDialog';
import { SupplyDialog } from './SupplyDialog';
import { directCurrentView as text } from './texts';

interface Props {
  document: RigDocument;
  worker: () => PlanWorker;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

const NONE: DirectCurrent = { supplies: [], loads: [] };

/** Direct-current supplies, and the battery-type boxes and pedals that hang on them. */
export function DirectCurrentView({ document, worker, onChange }: Props) {
  const own = document.directCurrent ?? NONE;
  const [editing, setEditing] = useState<{ supply?: DcSupply } | { load?: DcLoad }>();
  const [told, setTold] = useState('');
  const results = useMemo(() => new Map(checkDirectCurrent(own).map((result) => [result.load, result])), [own]);
  const put = (change: (from: DirectCurrent) => DirectCurrent) =>
    onChange((from) => {
      const next = change(from.directCurrent ?? NONE);
      const { directCurrent: _before, ...rest } = from;
      return next.supplies.length + next.loads.length ? { ...rest, directCurrent: next } : rest;
    });
  const arrange = async () => {
    const answer = await worker().ask({ ask: 'outlets', directCurrent: own });
    if (answer.ask !== 'outlets') return setTold(answer.ask === 'failed' ? answer.message : '');
    const without = own.loads.filter(({ id }) => !answer.outlets.get(id));
    put((from) => ({
      ...from,
      loads: from.loads.map(({ on: _on, ...load }) => {
        const on = answer.outlets.get(load.id);
        return on ? { ...load, on } : load;
      }),
    }));
    setTold(without.length ? text.noOutletIsRight(without.map(({ name }) => name).join(', ')) : text.everyBox);
  };
  return (
    <Box component="section" aria-label={text.directCurrentSupplies}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1, mb: 0.5 }}>
        <Typography variant="panel" component="h2" sx={{ mr: 'auto' }}>
          {text.directCurrentSuppliesForBoxes}
        </Typography>
        <Button startIcon={<AddIcon />} onClick={() => setEditing({ supply: undefined })}>
          {text.supply}
        </Button>
        <Button startIcon={<AddIcon />} onClick={() => setEditing({ load: undefined })}>
          {text.boxOrPedal}
        </Button>
        {own.loads.length > 0 && own.supplies.length > 0 && (
          <Button variant="outlined" onClick={() => void arrange()}>
            {text.arrange}
          </Button>
        )}
      </Box>
      <Typography variant="caption" color="textSecondary" role="status">
        {told}
      </Typography>
      {own.supplies.length + own.loads.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.noneYetAddTheSupply}
        </Typography>
      )}
      {own.supplies.map((supply) => (
        <Box
          key={supply.id}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'center',
            columnGap: 1.5,
            py: 0.5,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Typography variant="body2" sx={{ fontWeight: 650 }}>
            {supply.name}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {supply.outlets}
            {text.outlets}
            {supply.isolated ? text.isolated : worded(text.oneSharedGround)} · {volts(supply.volts.value)},{' '}
            {supply.centre}
            {text.centre}
            {amps(supply.limit.value)}
            {text.each}
            {supply.total ? text.together(amps(supply.total.value)) : ''}
          </Typography>
          <IconButton
            size="small"
            aria-label={text.edit(supply.name)}
            onClick={() => setEditing({ supply })}
            sx={{ ml: 'auto' }}
          >
            <EditOutlinedIcon sx={{ fontSize: 16 }} />
          </IconButton>
        </Box>
      ))}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1.5 }}>
        {own.loads.map((load) => (
          <LoadRow
            key={load.id}
            load={load}
            supplies={own.supplies}
            result={results.get(load.id)!}
            options={dcOptions(own, load.id)}
            onEdit={() => setEditing({ load })}
            onHang={(on) =>
              put((from) => ({
                ...from,
                loads: from.loads.map((each) => {
                  if (each.id !== load.id) return each;
                  const { on: _on, ...rest } = each;
                  return on ? { ...rest, on } : rest;
                }),
              }))
            }
          />
        ))}
      </Box>
      {editing && 'supply' in editing && (
        <SupplyDialog supply={editing.supply} own={own} onSave={put} onClose={() => setEditing(undefined)} />
      )}
      {editing && 'load' in editing && (
        <LoadDialog load={editing.load} own={own} onSave={put} onClose={() => setEditing(undefined)} />
      )}
    </Box>
  );
}

const volts = (value: number): string => quantity(value, 'V');
const amps = (milliamps: number): string => quantity(milliamps / 1000, 'A');

interface RowProps {
  load: DcLoad;
  supplies: readonly DcSupply[];
  result: DcResult;
  options: DcOption[];
  onEdit: () => void;
  onHang: (on: DcLoad['on']) => void;
}

const NOWHERE = '';

const VERDICT_WORDS = {
  Clear: text.suitable,
  Watch: text.withCare,
  Silent: text.notSuitable,
  Stop: text.notSuitable,
} as const;

function LoadRow({ load, supplies, result, options, onEdit, onHang }: RowProps) {
  const others = options.filter(({ supply }) => supply !== load.on?.supply);
  const outlets = supplies.flatMap(({ id, name, outlets: count }) =>
    Array.from({ length: count }, (_, n) => ({
      key: `${id} ${n + 1}`,
      name: text.outlet(name, n + 1),
      supply: id,
      outlet: n + 1,
    })),
  );
  return (
    <Box
      component="li"
      aria-label={load.name}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr) 34px', sm: '72px minmax(0, 1fr) minmax(0, 1.2fr) 34px' },
        columnGap: 1.5,
        rowGap: 0.5,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        alignItems: 'start',
      }}
    >
      <VerdictMark verdict={result.verdict} />
      <Box sx={{ gridRow: { xs: 2, sm: 'auto' } }}>
        <Typography variant="body2" sx={{ fontWeight: 650 }}>
          {load.name}
        </Typography>
        <Typography variant="caption" color="textSecondary">
          {text.toCentre(
            volts(load.lowest.value),
            volts(load.highest.value),
            load.centre,
            amps(load.current.value),
            load.digital,
          )}
        </Typography>
      </Box>
      <TextField
        select
        label={text.supplyOf(load.name)}
        value={load.on ? `${load.on.supply} ${load.on.outlet}` : NOWHERE}
        onChange={(event) => {
          const chosen = outlets.find(({ key }) => key === event.target.value);
          onHang(chosen && { supply: chosen.supply, outlet: chosen.outlet });
        }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        sx={{ gridRow: { xs: 3, sm: 'auto' } }}
      >
        <MenuItem value={NOWHERE}>{text.none}</MenuItem>
        {outlets.map(({ key, name }) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <IconButton size="small" aria-label={text.edit(load.name)} onClick={onEdit}>
        <EditOutlinedIcon sx={{ fontSize: 16 }} />
      </IconButton>
      {result.findings.length + others.length > 0 && (
        <Box sx={{ gridColumn: { xs: '1 / -1', sm: '2 / -2' } }}>
          {result.findings.map(({ code, what, why, remedy }) => (
            <Typography key={code} variant="body2" color="textSecondary">
              <strong>{worded(what)}.</strong> {worded([why, remedy].join(' '))}
            </Typography>
          ))}
          {others.map(({ supply, name, verdict, reason }) => (
            <Typography key={supply} variant="caption" color="textSecondary" sx={{ display: 'block' }}>
              {name}, {VERDICT_WORDS[verdict]}: {worded(reason)}
            </Typography>
          ))}
        </Box>
      )}
    </Box>
  );
}
