'use client';

import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { freeId, type MonitorGroup, type RigDocument } from '@/core/rig';
import { FormDialog } from '@/ui/shell/FormDialog';
import { monitorsDialog as text } from './texts';

interface Props {
  document: RigDocument;
  onClose: () => void;
  onSave: (monitors: MonitorGroup[]) => void;
}

/** Which loudspeakers, headphones and streams hear which devices: only those go down that a feed can thump through. */
export function MonitorsDialog({ document, onClose, onSave }: Props) {
  const { devices, locations = [] } = document;
  const [groups, setGroups] = useState<MonitorGroup[]>(document.monitors ?? []);
  const change = (id: string, to: Partial<MonitorGroup>) =>
    setGroups((all) => all.map((each) => (each.id === id ? { ...each, ...to } : each)));
  const problem = (group: MonitorGroup): string => {
    const name = group.name.trim();
    if (!name) return text.giveItAName;
    return groups.some((other) => other !== group && other.name.trim() === name) ? text.thisNameIsTaken : '';
  };
  const complete = groups.every((group) => !problem(group) && group.devices.length > 0);
  const others = devices.filter(({ id }) => !groups.some((group) => group.devices.includes(id)));
  return (
    <FormDialog
      title={text.monitorsAndHeadphones}
      width="sm"
      submit={text.saveMonitors}
      blocked={!complete}
      onSubmit={() => onSave(groups.map((group) => tidy({ ...group, name: group.name.trim() })))}
      onClose={onClose}
    >
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {text.nameWhatIsTurnedUp}
      </Typography>
      {groups.map((group, n) => (
        <Box
          key={group.id}
          component="fieldset"
          aria-label={group.name.trim() || text.monitors(n + 1)}
          sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, mb: 2, mx: 0 }}
        >
          <Box
            sx={{
              display: 'grid',
              columnGap: 1,
              alignItems: 'start',
              gridTemplateColumns: { xs: '1fr 44px', sm: '1fr 1fr 44px' },
              gridTemplateAreas: { xs: '"name remove" "place place"', sm: '"name place remove"' },
            }}
          >
            <TextField
              label={text.name}
              value={group.name}
              onChange={(event) => change(group.id, { name: event.target.value })}
              error={Boolean(problem(group)) && group.name !== ''}
              helperText={problem(group) || ' '}
              slotProps={{ htmlInput: { maxLength: 80 } }}
              autoFocus={n === groups.length - 1 && group.name === ''}
              sx={{ gridArea: 'name' }}
            />
            <TextField
              select
              label={text.turnedDown}
              value={group.location ?? ''}
              onChange={({ target: { value } }) => change(group.id, { location: value || undefined })}
              sx={{ gridArea: 'place' }}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">{text.whereItsDevices}</MenuItem>
              {locations.map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
            <IconButton
              aria-label={text.remove(group.name.trim(), n + 1)}
              onClick={() => setGroups((all) => all.filter(({ id }) => id !== group.id))}
              sx={{ gridArea: 'remove', width: 44, height: 44 }}
            >
              <CloseIcon sx={{ fontSize: 18 }} />
            </IconButton>
          </Box>
          <FormGroup row>
            {devices.map(({ id, name }) => (
              <FormControlLabel
                key={id}
                control={
                  <Checkbox
                    checked={group.devices.includes(id)}
                    onChange={(_, on) =>
                      change(group.id, {
                        devices: on ? [...group.devices, id] : group.devices.filter((each) => each !== id),
                      })
                    }
                  />
                }
                label={name}
              />
            ))}
          </FormGroup>
          {group.devices.length === 0 && (
            <Typography variant="caption" color="textSecondary">
              {text.tickAtLeastOneDevice}
            </Typography>
          )}
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        onClick={() => setGroups((all) => [...all, { id: freeId(all, 'heard'), name: '', devices: [] }])}
        sx={{ minHeight: 44 }}
      >
        {text.addMonitors}
      </Button>
      {groups.length > 0 && others.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {text.notTickedAnywhereForThese(others.map(({ name }) => name).join(', '))}
        </Typography>
      )}
    </FormDialog>
  );
}

const tidy = ({ location, ...group }: MonitorGroup): MonitorGroup => ({ ...group, ...(location && { location }) });
