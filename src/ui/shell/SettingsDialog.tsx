'use client';

import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CONVENTION_NAMES, CONVENTIONS, conventions, type Conventions } from '@/core/units/conventions';
import { ask } from './ask';
import { Choice } from './Choice';
import { FormDialog } from './FormDialog';
import { settingsDialog as text } from './texts';

/** How lengths, mains, ground, clock and decimals are written, for everybody who uses this database. */
export function SettingsDialog({ onClose }: { onClose: () => void }) {
  const [wanted, setWanted] = useState(conventions);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState('');
  const save = async () => {
    setBusy(true);
    const { failed: why } = await ask<Conventions>('/api/settings', { method: 'PUT', json: wanted });
    // What is on the page was written the old way, in its workers too.
    if (!why) return location.reload();
    setBusy(false);
    setFailed(why);
  };
  return (
    <FormDialog
      title={text.settings}
      submit={text.saveSettings}
      // Not blocked meanwhile: a button that is loses the focus.
      onSubmit={() => !busy && void save()}
      onClose={onClose}
    >
      <Stack spacing={2} sx={{ pt: 1 }}>
        {CONVENTION_NAMES.map((name) => (
          <Choice
            key={name}
            label={CONVENTIONS[name].label}
            value={wanted[name]}
            onChoose={(to) => setWanted((now) => ({ ...now, [name]: to }))}
            options={CONVENTIONS[name].options.map(({ value, label }) => [value, label] as const)}
          />
        ))}
      </Stack>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        {text.forEveryoneWhoUses}
      </Typography>
      {failed && (
        <Alert severity="error" sx={{ mt: 2 }}>
          {failed}
        </Alert>
      )}
    </FormDialog>
  );
}
