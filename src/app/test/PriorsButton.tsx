'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { COMMONEST, PRIORS, RAREST, type Experience, type OwnPriors, type Repair } from '@/core/testing';
import { ask } from '@/ui/shell/ask';
import { FormDialog } from '@/ui/shell/FormDialog';
import { capital, CLASSES, SORTS } from './words';
import { priorsButton as texts } from './texts';

interface Props {
  experience: Experience;
  onPriors: (to: OwnPriors) => void;
  onTold: (message: string) => void;
}

type Key = `${Repair['class']} ${Repair['type']}`;
interface Row {
  class: Repair['class'];
  type: Repair['type'];
  key: Key;
  stated: number;
}

const ROWS = (Object.entries(PRIORS) as [Repair['class'], Partial<Record<Repair['type'], number>>][]).flatMap(
  ([of, table]) =>
    (Object.entries(table) as [Repair['type'], number][]).map(([type, stated]): Row => ({
      class: of,
      type,
      key: `${of} ${type}`,
      stated,
    })),
);

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));
const isWrong = (text: string): boolean =>
  text.trim() !== '' && !(numberOf(text) >= RAREST && numberOf(text) <= COMMONEST);

/** How often what goes wrong, as assumed, as somebody says otherwise, and what the own repairs add. */
export function PriorsButton({ experience, onPriors, onTold }: Props) {
  const { repairs = [], priors = {} } = experience;
  const [typed, setTyped] = useState<Partial<Record<Key, string>>>();
  const [failed, setFailed] = useState('');
  const open = () => {
    setFailed('');
    setTyped(
      Object.fromEntries(
        ROWS.flatMap(({ class: of, type, key }) => {
          const own = priors[of]?.[type];
          return own === undefined ? [] : [[key, String(own)]];
        }),
      ),
    );
  };
  const save = async () => {
    const own: OwnPriors = {};
    for (const { class: of, type, key, stated } of ROWS) {
      const text = typed?.[key] ?? '';
      if (text.trim() !== '' && numberOf(text) !== stated) own[of] = { ...own[of], [type]: numberOf(text) };
    }
    const { body, failed: refused } = await ask<OwnPriors>('/api/priors', { method: 'PUT', json: own });
    if (!body) return setFailed(refused ?? texts.noAnswer);
    onPriors(body);
    setTyped(undefined);
    onTold(texts.keptItCountsFromNow);
  };
  const learned = (row: Row) => repairs.filter((each) => each.class === row.class && each.type === row.type).length;
  return (
    <>
      <Button onClick={open} sx={{ minHeight: 44, px: 0 }}>
        {texts.openHowLikely}
      </Button>
      {typed && (
        <FormDialog
          title={texts.howLikelyEachFault}
          width="sm"
          submit={texts.keep}
          blocked={Object.values(typed).some((text) => isWrong(text))}
          onSubmit={() => void save()}
          onClose={() => setTyped(undefined)}
          beside={
            <Button onClick={() => setTyped({})} color="inherit">
              {texts.allAsInTheTable}
            </Button>
          }
        >
          <Typography variant="body2" sx={{ mb: 1 }}>
            {texts.howOftenEachGoesWrong}
          </Typography>
          {failed && (
            <Alert severity="error" sx={{ mb: 1 }}>
              {texts.notKept(failed)}
            </Alert>
          )}
          {(Object.keys(PRIORS) as Repair['class'][]).map((of) => (
            <Box key={of} component="fieldset" sx={{ border: 0, p: 0, m: 0, mb: 2 }}>
              <Typography variant="h3" component="legend" sx={{ p: 0, mt: 1 }}>
                {CLASSES[of]}
              </Typography>
              {ROWS.filter((row) => row.class === of).map((row) => (
                <Box
                  key={row.key}
                  sx={{
                    display: 'grid',
                    gridTemplateColumns: 'minmax(0, 1fr) 104px 96px',
                    gap: 1,
                    alignItems: 'center',
                    borderBottom: 1,
                    borderColor: 'divider',
                    py: 0.5,
                  }}
                >
                  <Typography variant="body2">{capital(SORTS[row.type])}</Typography>
                  <TextField
                    value={typed[row.key] ?? ''}
                    placeholder={String(row.stated)}
                    error={isWrong(typed[row.key] ?? '')}
                    helperText={isWrong(typed[row.key] ?? '') ? texts.fromTo(RAREST, COMMONEST) : undefined}
                    onChange={(event) => setTyped({ ...typed, [row.key]: event.target.value.slice(0, 8) })}
                    slotProps={{
                      htmlInput: { inputMode: 'decimal', 'aria-label': `${CLASSES[of]}: ${SORTS[row.type]}` },
                    }}
                  />
                  <Typography variant="caption" color="textSecondary">
                    {learned(row) > 0 && texts.repaired(learned(row))}
                  </Typography>
                </Box>
              ))}
            </Box>
          ))}
        </FormDialog>
      )}
    </>
  );
}
