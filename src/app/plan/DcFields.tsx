'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { Controller, type Control, type FieldErrors, type FieldValues, type UseFormRegister } from 'react-hook-form';
import type { Figure } from '@/core/gear';
import type { DirectCurrent } from '@/core/rig';
import { FormDialog } from '@/ui/shell/FormDialog';
import { dcFields as texts } from './texts';

/** What the dialogs of direct-current supplies and of what hangs on them have in common. */

export type Save = (change: (from: DirectCurrent) => DirectCurrent) => void;

interface Range {
  label: string;
  unit: Figure['unit'];
  min: number;
  max: number;
}

export const amount = (text: string): number => Number(text.trim().replace(',', '.'));

export const within =
  ({ min, max, unit }: Range, optional = false) =>
  (text: string): true | string =>
    (optional && text.trim() === '') ||
    (text.trim() !== '' && amount(text) >= min && amount(text) <= max) ||
    texts.aNumber(min, max, unit, optional);

export const figure = <F extends Figure>(text: string, { unit }: Range, before?: F): Figure =>
  before?.value === amount(text) ? before : { value: amount(text), unit, basis: 'maker' };

export function Frame(props: {
  title: string;
  onSubmit: () => void;
  onClose: () => void;
  onRemove?: () => void;
  children: ReactNode;
}) {
  const { title, onSubmit, onClose, onRemove, children } = props;
  return (
    <FormDialog
      title={title}
      submit={texts.save}
      onSubmit={onSubmit}
      onClose={onClose}
      beside={
        onRemove && (
          <Button color="error" onClick={onRemove}>
            {texts.remove}
          </Button>
        )
      }
    >
      <Stack spacing={2} sx={{ pt: 1 }}>
        {children}
      </Stack>
    </FormDialog>
  );
}

export function NameField<F extends FieldValues>({
  register,
  errors,
}: {
  register: UseFormRegister<F>;
  errors: FieldErrors<F>;
}) {
  return (
    <TextField
      label={texts.name}
      {...register('name' as never, { validate: ((text: string) => text.trim() !== '' || texts.giveItAName) as never })}
      slotProps={{ htmlInput: { maxLength: 80 } }}
      error={Boolean(errors.name)}
      helperText={errors.name?.message as string | undefined}
    />
  );
}

export function FigureText<F extends FieldValues>(props: {
  name: keyof F & string;
  label: string;
  rule: (text: string, form: F) => true | string;
  register: UseFormRegister<F>;
  errors: FieldErrors<F>;
}) {
  const { name, label, rule, register, errors } = props;
  const error = (errors as Record<string, { message?: string } | undefined>)[name];
  return (
    <TextField
      label={label}
      {...register(name as never, { validate: rule as never })}
      error={Boolean(error)}
      helperText={error?.message}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

export function CentreField<F extends FieldValues>({
  control,
  name,
  label,
}: {
  control: Control<F>;
  name: string;
  label: string;
}) {
  return (
    <Controller
      control={control}
      name={name as never}
      render={({ field }) => (
        <TextField select label={label} {...field}>
          <MenuItem value="negative">{texts.negative}</MenuItem>
          <MenuItem value="positive">{texts.positive}</MenuItem>
        </TextField>
      )}
    />
  );
}
