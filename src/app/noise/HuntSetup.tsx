'use client';

import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CAUTIONS, MOST_SUSPECTS, suspectsOf, UNIT_KIND_NAMES, WAYS, type Suspect, type Way } from '@/core/noise/hunt';
import { type UnitKind, UNIT_KINDS } from '@/core/rig/arrangement';
import { freeId } from '@/core/rig/rigEdits';
import type { RigDocument, RigLine } from '@/core/rig';
import type { SavedHunt } from '@/store/noise';
import { ask } from '@/ui/shell/ask';
import { Choice } from '@/ui/shell/Choice';
import { huntSetup as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  line: RigLine;
  who: string;
  onBegun: (hunt: SavedHunt) => void;
}

const HOW: Record<Way, string> = {
  'take-away': texts.everythingIsOnFirstUnits,
  'build-up': texts.theInletDevice,
};

/** Who is suspected, and from which end the hunt begins. */
export function HuntSetup({ rig, document, line, who, onBegun }: Props) {
  const [suspects, setSuspects] = useState(() => suspectsOf(document, line.id));
  const [way, setWay] = useState<Way>('take-away');
  const [name, setName] = useState('');
  const [kind, setKind] = useState<UnitKind>('audio device');
  const [failed, setFailed] = useState('');
  const add = () => {
    const text = name.trim();
    if (!text || suspects.length >= MOST_SUSPECTS) return;
    setSuspects([...suspects, { id: freeId(suspects, text), name: text.slice(0, 80), kind }]);
    setName('');
  };
  const begin = async () => {
    const { body, failed: why } = await ask<SavedHunt>(`/api/rigs/${rig}/hunts`, {
      method: 'POST',
      json: { way, line: line.id, suspects, who },
    });
    setFailed(why ?? '');
    if (body) onBegun(body);
  };
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={way}
        aria-label={texts.wayOfWorking}
        onChange={(_, to: Way | null) => to && setWay(to)}
      >
        {(Object.keys(HOW) as Way[]).map((each) => (
          <ToggleButton key={each} value={each}>
            {WAYS[each]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Typography variant="body2" sx={{ mt: 0.75, mb: 2 }}>
        {HOW[way]}
      </Typography>
      <Typography variant="h3" component="h3">
        {texts.suspectsCounted(suspects.length)}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {texts.everyMainsUnitDisplayAdapter}
      </Typography>
      <Box
        component="ul"
        aria-label={texts.suspects}
        sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, borderBottom: 1, borderColor: 'divider' }}
      >
        {suspects.map((suspect) => (
          <Box
            component="li"
            key={suspect.id}
            sx={{ display: 'flex', alignItems: 'center', gap: 1, borderTop: 1, borderColor: 'divider', py: 0.25 }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2" component="span" sx={{ fontWeight: 600 }}>
                {suspect.name}
              </Typography>{' '}
              <Typography variant="caption" color="textSecondary">
                {UNIT_KINDS[suspect.kind]}
                {suspect.outlet && ` · ${suspect.outlet}`}
              </Typography>
            </Box>
            <Typography variant="caption" component="label">
              {texts.neverSwitchOff}
              <Checkbox
                size="small"
                checked={suspect.fixed ?? false}
                slotProps={{ input: { 'aria-label': texts.neverSwitchOffOf(suspect.name) } }}
                onChange={(event) => setSuspects(suspects.map((each) => fixedAs(each, suspect, event.target.checked)))}
              />
            </Typography>
            <IconButton
              aria-label={texts.notSuspected(suspect.name)}
              onClick={() => setSuspects(suspects.filter(({ id }) => id !== suspect.id))}
            >
              <DeleteOutlineIcon fontSize="small" />
            </IconButton>
          </Box>
        ))}
      </Box>
      <Box
        component="form"
        aria-label={texts.anotherSuspect}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5, alignItems: 'center' }}
      >
        <TextField
          label={texts.anotherSuspect}
          value={name}
          onChange={(event) => setName(event.target.value)}
          sx={{ flex: '1 1 180px' }}
        />
        <Choice
          label={texts.whatItIs}
          value={kind}
          options={UNIT_KIND_NAMES.map((each) => [each, UNIT_KINDS[each]])}
          onChoose={(to) => setKind(to as UnitKind)}
        />
        <Button type="submit" variant="outlined" disabled={!name.trim() || suspects.length >= MOST_SUSPECTS}>
          {texts.add}
        </Button>
      </Box>
      {suspects.length >= MOST_SUSPECTS && (
        <Typography variant="caption" color="textSecondary">
          {texts.maximumEnterEverythingOnOne(MOST_SUSPECTS)}
        </Typography>
      )}
      <Alert severity="warning" sx={{ mt: 2 }}>
        {CAUTIONS.join(' ')}
      </Alert>
      <Button variant="contained" disabled={suspects.length < 2} onClick={() => void begin()} sx={{ mt: 2 }}>
        {texts.beginTheHunt}
      </Button>
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed}
        </Alert>
      )}
    </>
  );
}

function fixedAs(each: Suspect, which: Suspect, fixed: boolean): Suspect {
  if (each.id !== which.id) return each;
  const { fixed: _before, ...rest } = each;
  return fixed ? { ...rest, fixed: true } : rest;
}
