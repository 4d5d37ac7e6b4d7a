'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent } from 'react';
import { withMainsEdit } from '@/core/mains';
import { UNIT_KINDS, type RigDocument, type Unit, type UnitKind } from '@/core/rig';
import { MOST_UNITS } from '@/core/rig/deviceFigures';
import { Choice } from '@/ui/shell/Choice';
import { addUnits as texts } from './texts';

interface Props {
  units: readonly Unit[];
  outlets: readonly string[];
  full: boolean;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** What is plugged into the mains; a run of cable is a suspect of hunts alone. */
const KINDS = (Object.keys(UNIT_KINDS) as UnitKind[]).filter((kind) => kind !== 'cable run');
const WALL = '';

/** More units: in one press each, with the usual name of their kind; or by a name of their own. Everything else has a usual value. */
export function AddUnits({ units, outlets, full, onChange }: Props) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<UnitKind>('audio device');
  const [outlet, setOutlet] = useState(WALL);
  const on = outlets.includes(outlet) ? outlet : WALL;
  const add = (called: string, what: UnitKind) =>
    onChange((from) => withMainsEdit(from, { do: 'add', name: called, kind: what, ...(on && { outlet: on }) }));
  return (
    <Box sx={{ py: 0.5 }}>
      <Box
        role="group"
        aria-label={texts.addAUnitOfAKind}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', whiteSpace: 'normal', mb: 1 }}
      >
        <Typography variant="body2" sx={{ mr: 0.5 }}>
          {texts.add}
        </Typography>
        {KINDS.map((each) => (
          <Button
            key={each}
            size="small"
            variant="outlined"
            disabled={full}
            onClick={() => add(nextName(units, each), each)}
          >
            {capital(each)}
          </Button>
        ))}
      </Box>
      <Box
        component="form"
        aria-label={texts.addAUnit}
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          if (!name.trim() || full) return;
          add(name.trim(), kind);
          setName('');
        }}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}
      >
        <Choice
          label={texts.plugNewUnitsInto}
          value={on}
          onChoose={setOutlet}
          options={[[WALL, texts.theWall], ...outlets.map((each) => [each, each] as const)]}
        />
        <TextField
          label={texts.anotherUnit}
          value={name}
          onChange={({ target }) => setName(target.value)}
          helperText={full ? texts.unitsAreTheMost(MOST_UNITS) : undefined}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <Choice
          label={texts.kindOfUnit}
          value={kind}
          onChoose={(to) => setKind(to as UnitKind)}
          options={KINDS.map((each) => [each, UNIT_KINDS[each]] as const)}
        />
        <Button type="submit" variant="outlined" disabled={!name.trim() || full}>
          {texts.addUnit}
        </Button>
      </Box>
    </Box>
  );
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

/** What a further unit of a kind is called: Lamp, Lamp 2, Lamp 3. */
function nextName(units: readonly Unit[], kind: UnitKind): string {
  const taken = new Set(units.map(({ name }) => name.toLowerCase()));
  const names = Array.from({ length: units.length + 1 }, (_, n) => (n ? `${capital(kind)} ${n + 1}` : capital(kind)));
  return names.find((name) => !taken.has(name.toLowerCase()))!;
}
