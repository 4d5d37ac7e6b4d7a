'use client';

import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  Controller,
  useFieldArray,
  useWatch,
  type Control,
  type FieldErrors,
  type UseFormRegister,
} from 'react-hook-form';
import { INLETS } from '@/core/gear';
import { useState } from 'react';
import { MOST_INLETS, nextNumber, PATTERNS, type DeviceForm, type Pattern } from './deviceForm';
import { inletFields as text } from './texts';

interface Props {
  control: Control<DeviceForm>;
  register: UseFormRegister<DeviceForm>;
  errors: FieldErrors<DeviceForm>;
  /** All inlets and switches anew. */
  onShape: (count: number, kind: string, pattern: Pattern) => void;
  /** An inlet is taken out, of its switch too. */
  onRemove: (n: number) => void;
}

/** The inlets of a device. */
export function InletFields({ control, register, errors, onShape, onRemove }: Props) {
  const inlets = useFieldArray({ control, name: 'inlets' });
  const known = useWatch({ control, name: 'inlets' });
  return (
    <Box component="section" aria-label={text.inlets}>
      <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
        {text.inlets}
      </Typography>
      <ShapeFields count={known.length} kind={known.at(-1)?.kind ?? 'three-pin'} onShape={onShape} />
      <Stack spacing={1}>
        {inlets.fields.map((field, n) => (
          <Box
            key={field.id}
            sx={{
              display: 'grid',
              gap: 1,
              alignItems: 'center',
              gridTemplateColumns: { xs: '1fr 1fr', sm: '120px 1fr 1fr auto' },
            }}
          >
            <TextField
              label={text.number}
              {...register(`inlets.${n}.id`, {
                pattern: { value: /^[a-z0-9][a-z0-9-]{0,63}$/, message: text.lowerCaseLettersDigitsHyphens },
              })}
              error={Boolean(errors.inlets?.[n]?.id)}
              helperText={errors.inlets?.[n]?.id?.message}
            />
            <Controller
              control={control}
              name={`inlets.${n}.kind`}
              render={({ field: kind }) => (
                <TextField
                  select
                  label={text.kind}
                  {...kind}
                  error={Boolean(errors.inlets?.[n]?.kind)}
                  helperText={errors.inlets?.[n]?.kind?.message}
                >
                  {INLETS.map(({ kind: value, label }) => (
                    <MenuItem key={value} value={value}>
                      {label}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <TextField
              label={text.nameIfItHasOne}
              {...register(`inlets.${n}.name`)}
              error={Boolean(errors.inlets?.[n]?.name)}
              helperText={errors.inlets?.[n]?.name?.message}
            />
            <IconButton aria-label={text.removeInlet(known[n]?.id)} onClick={() => onRemove(n)}>
              <DeleteOutlineIcon fontSize="small" />
            </IconButton>
          </Box>
        ))}
      </Stack>
      <Button
        startIcon={<AddIcon />}
        sx={{ mt: 1 }}
        onClick={() =>
          inlets.append({ id: nextNumber(known), kind: known.at(-1)?.kind ?? 'three-pin', name: '', was: '' })
        }
      >
        {text.addAnInlet}
      </Button>
    </Box>
  );
}

interface ShapeProps {
  count: number;
  kind: string;
  onShape: Props['onShape'];
}

/** How many inlets, of what kind, with how many switches: said once instead of inlet by inlet. */
function ShapeFields({ count, kind: now, onShape }: ShapeProps) {
  const [number, setNumber] = useState(String(count));
  const [kind, setKind] = useState(now);
  const [pattern, setPattern] = useState<Pattern>('each');
  const wanted = Number(number);
  const valid = Number.isInteger(wanted) && wanted >= 1 && wanted <= MOST_INLETS;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        alignItems: 'start',
        mb: 2,
        gridTemplateColumns: { xs: '1fr 1fr', sm: '120px 1fr 1fr auto' },
      }}
    >
      <TextField
        label={text.howMany}
        value={number}
        onChange={({ target }) => setNumber(target.value)}
        error={!valid}
        helperText={valid ? undefined : text.from1To(MOST_INLETS)}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <TextField select label={text.kindOf} value={kind} onChange={({ target }) => setKind(target.value)}>
        {INLETS.map(({ kind: value, label }) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={text.feedSwitches}
        value={pattern}
        onChange={({ target }) => setPattern(target.value as Pattern)}
      >
        {PATTERNS.map(({ value, label }) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <Button
        variant="outlined"
        disabled={!valid}
        onClick={() => onShape(wanted, kind, pattern)}
        sx={{ minHeight: { xs: 44, md: 40 } }}
      >
        {text.setInlets}
      </Button>
    </Box>
  );
}
