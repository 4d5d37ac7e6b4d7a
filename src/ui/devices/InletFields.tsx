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
import { nextNumber, type DeviceForm } from './deviceForm';

interface Props {
  control: Control<DeviceForm>;
  register: UseFormRegister<DeviceForm>;
  errors: FieldErrors<DeviceForm>;
}

/** The inlets of a device. */
export function InletFields({ control, register, errors }: Props) {
  const inlets = useFieldArray({ control, name: 'inlets' });
  const known = useWatch({ control, name: 'inlets' });
  return (
    <Box component="section" aria-label="Inlets">
      <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
        Inlets
      </Typography>
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
              label="Number"
              {...register(`inlets.${n}.id`, {
                pattern: { value: /^[a-z0-9][a-z0-9-]{0,63}$/, message: 'Lower-case letters, digits, hyphens' },
              })}
              error={Boolean(errors.inlets?.[n]?.id)}
              helperText={errors.inlets?.[n]?.id?.message}
            />
            <Controller
              control={control}
              name={`inlets.${n}.kind`}
              render={({ field: kind }) => (
                <TextField select label="Kind" {...kind}>
                  {INLETS.map(({ kind: value, label }) => (
                    <MenuItem key={value} value={value}>
                      {label}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <TextField label="Name, if it has one" {...register(`inlets.${n}.name`)} />
            <IconButton aria-label={`Remove inlet ${known[n]?.id}`} onClick={() => inlets.remove(n)}>
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
        Add an inlet
      </Button>
    </Box>
  );
}
