'use client';

import Checkbox from '@mui/material/Checkbox';
import ListItemText from '@mui/material/ListItemText';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { FAULT_NAMES, SIMULATED_FAULTS, type FaultName } from '@/core/noise/simulated';
import { worded } from '@/core/units/conventions';
import { simulatedSettings as text } from './texts';

interface Props {
  faults: FaultName[];
  onFaults: (to: FaultName[]) => void;
  live: boolean;
  onLive: (to: boolean) => void;
}

/** What the simulated interface is to have, and at what pace it plays. */
export function SimulatedSettings({ faults, onFaults, live, onLive }: Props) {
  return (
    <>
      <TextField
        select
        label={text.addFaults}
        value={faults}
        onChange={(event) => onFaults(event.target.value as unknown as FaultName[])}
        slotProps={{
          inputLabel: { shrink: true },
          select: {
            multiple: true,
            displayEmpty: true,
            renderValue: (chosen) =>
              (chosen as FaultName[]).map((name) => worded(SIMULATED_FAULTS[name].label)).join(', ') || text.none,
          },
        }}
        sx={{ width: 210 }}
      >
        {FAULT_NAMES.map((name) => (
          <MenuItem key={name} value={name} dense>
            <Checkbox size="small" checked={faults.includes(name)} sx={{ p: 0.5 }} />
            <ListItemText primary={worded(SIMULATED_FAULTS[name].label)} />
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={text.pace}
        value={live ? 'live' : 'quick'}
        onChange={(event) => onLive(event.target.value === 'live')}
        sx={{ width: 120 }}
      >
        <MenuItem value="quick">{text.atOnce}</MenuItem>
        <MenuItem value="live">{text.live}</MenuItem>
      </TextField>
    </>
  );
}
