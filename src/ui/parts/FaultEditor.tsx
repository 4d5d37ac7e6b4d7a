'use client';

import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Contact, Fault } from '@/core/gear';
import { worded } from '@/core/units/conventions';
import { faultEditor as text } from './texts';

const TYPES: Record<Fault['type'], string> = {
  open: text.brokenConductor,
  swapped: text.twoConductorsSwapped,
  shorted: text.twoConductorsShorted,
  leaky: text.leakBetweenConductors,
  'shield to cold': text.shieldTiedToTheCold,
};

interface Props {
  faults: Fault[];
  contacts: readonly Contact[];
  onChange: (faults: Fault[]) => void;
}

/** What is wrong with a cable. */
export function FaultEditor({ faults, contacts, onChange }: Props) {
  const set = (n: number, fault: Fault) => onChange(faults.with(n, fault));
  return (
    <Stack spacing={1.25}>
      <Typography variant="h3" component="h4">
        {text.faults}
      </Typography>
      {faults.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.noneEveryConductorIsGood}
        </Typography>
      )}
      {faults.map((fault, n) => (
        <Stack key={n} direction="row" spacing={1} sx={{ alignItems: 'center', flexWrap: 'wrap', rowGap: 1 }}>
          <TextField
            select
            label={text.fault(n + 1)}
            value={fault.type}
            onChange={(event) => set(n, start(event.target.value as Fault['type'], contacts))}
            sx={{ minWidth: 190 }}
          >
            {Object.entries(TYPES)
              .filter(([type]) => type !== 'shield to cold' || contacts.includes('3'))
              .map(([type, label]) => (
                <MenuItem key={type} value={type}>
                  {worded(label)}
                </MenuItem>
              ))}
          </TextField>
          {fault.type === 'open' && (
            <ContactSelect
              label={text.contact}
              value={fault.contact}
              contacts={contacts}
              onChange={(contact) => set(n, { ...fault, contact })}
            />
          )}
          {'contacts' in fault &&
            fault.contacts.map((contact, k) => (
              <ContactSelect
                key={k}
                label={k === 0 ? text.contact : text.and}
                value={contact}
                contacts={contacts.filter((other) => other !== fault.contacts[1 - k])}
                onChange={(to) => set(n, { ...fault, contacts: fault.contacts.with(k, to) as [Contact, Contact] })}
              />
            ))}
          {fault.type === 'leaky' && (
            <TextField
              select
              label={text.leak}
              value={String(fault.ohms)}
              onChange={(event) => set(n, { ...fault, ohms: Number(event.target.value) })}
              sx={{ width: 110 }}
            >
              {[...new Set([100, 1e3, 10e3, 100e3, 1e6, fault.ohms])]
                .sort((a, b) => a - b)
                .map((ohms) => (
                  <MenuItem key={ohms} value={String(ohms)}>
                    {ohms >= 1e6 ? `${ohms / 1e6} MΩ` : ohms >= 1e3 ? `${ohms / 1e3} kΩ` : `${ohms} Ω`}
                  </MenuItem>
                ))}
            </TextField>
          )}
          <IconButton
            size="small"
            aria-label={text.removeFault(n + 1)}
            onClick={() => onChange(faults.toSpliced(n, 1))}
          >
            <CloseIcon fontSize="small" />
          </IconButton>
        </Stack>
      ))}
      <Button
        startIcon={<AddIcon />}
        disabled={faults.length >= 8}
        onClick={() => onChange([...faults, start('open', contacts)])}
        sx={{ alignSelf: 'flex-start' }}
      >
        {text.addAFault}
      </Button>
    </Stack>
  );
}

/** A new fault of a type on the contacts where it is seen most: the cold one, or it and the shield. */
function start(type: Fault['type'], contacts: readonly Contact[]): Fault {
  const cold = contacts.includes('3') ? '3' : contacts.includes('R') ? 'R' : 'T';
  const shield = contacts.includes('1') ? '1' : 'S';
  if (type === 'open') return { type, contact: cold };
  if (type === 'shield to cold') return { type };
  if (type === 'swapped')
    return { type, contacts: contacts.includes('3') ? ['2', '3'] : ['T', cold === 'T' ? 'S' : cold] };
  return type === 'leaky' ? { type, contacts: [cold, shield], ohms: 10e3 } : { type, contacts: [cold, shield] };
}

function ContactSelect({
  label,
  value,
  contacts,
  onChange,
}: {
  label: string;
  value: Contact;
  contacts: readonly Contact[];
  onChange: (contact: Contact) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as Contact)}
      sx={{ width: 84 }}
    >
      {contacts.map((contact) => (
        <MenuItem key={contact} value={contact}>
          {contact}
        </MenuItem>
      ))}
    </TextField>
  );
}
