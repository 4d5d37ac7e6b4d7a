'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { Controller, useForm, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import type { Figure } from '@/core/gear';
import {
  DC_LOAD_FIGURES,
  DC_SUPPLY_FIGURES,
  freeId,
  type Centre,
  type DcLoad,
  type DcSupply,
  type DirectCurrent,
} from '@/core/rig';

type Save = (change: (from: DirectCurrent) => DirectCurrent) => void;

interface Range {
  label: string;
  unit: Figure['unit'];
  min: number;
  max: number;
}

const amount = (text: string): number => Number(text.trim().replace(',', '.'));

const within =
  ({ min, max, unit }: Range, optional = false) =>
  (text: string): true | string =>
    (optional && text.trim() === '') ||
    (text.trim() !== '' && amount(text) >= min && amount(text) <= max) ||
    `A number from ${min} to ${max} ${unit}${optional ? ', or empty' : ''}`;

const figure = <F extends Figure>(text: string, { unit }: Range, before?: F): Figure =>
  before?.value === amount(text) ? before : { value: amount(text), unit, basis: 'maker' };

interface SupplyForm {
  name: string;
  outlets: string;
  isolated: boolean;
  centre: Centre;
  volts: string;
  limit: string;
  total: string;
}

/** A direct-current supply. */
export function SupplyDialog(props: { supply?: DcSupply; own: DirectCurrent; onSave: Save; onClose: () => void }) {
  const { supply, own, onSave, onClose } = props;
  const { register, control, handleSubmit, formState } = useForm<SupplyForm>({
    defaultValues: {
      name: supply?.name ?? '',
      outlets: String(supply?.outlets ?? 4),
      isolated: supply?.isolated ?? true,
      centre: supply?.centre ?? 'negative',
      volts: String(supply?.volts.value ?? 9),
      limit: String(supply?.limit.value ?? 100),
      total: supply?.total ? String(supply.total.value) : '',
    },
  });
  const save = (form: SupplyForm) => {
    const next: DcSupply = {
      id: supply?.id ?? freeId(own.supplies, form.name),
      name: form.name.trim(),
      outlets: amount(form.outlets),
      isolated: form.isolated,
      centre: form.centre,
      volts: figure(form.volts, DC_SUPPLY_FIGURES.volts, supply?.volts),
      limit: figure(form.limit, DC_SUPPLY_FIGURES.limit, supply?.limit),
      ...(form.total.trim() && { total: figure(form.total, DC_SUPPLY_FIGURES.total, supply?.total) }),
    };
    onSave((from) => ({
      supplies: supply ? from.supplies.map((each) => (each.id === next.id ? next : each)) : [...from.supplies, next],
      // What hung on an outlet that is gone hangs on none.
      loads: from.loads.map((load) =>
        load.on?.supply === next.id && load.on.outlet > next.outlets ? unhung(load) : load,
      ),
    }));
    onClose();
  };
  const { errors } = formState;
  return (
    <Frame
      title={supply ? supply.name : 'New supply'}
      onSubmit={handleSubmit(save)}
      onClose={onClose}
      onRemove={
        supply &&
        (() => {
          onSave((from) => ({
            supplies: from.supplies.filter(({ id }) => id !== supply.id),
            loads: from.loads.map((load) => (load.on?.supply === supply.id ? unhung(load) : load)),
          }));
          onClose();
        })
      }
    >
      <NameField register={register} errors={errors} />
      <FigureText
        name="outlets"
        label="Outlets"
        rule={(text) =>
          (Number.isInteger(amount(text)) && amount(text) >= 1 && amount(text) <= 32) || 'A whole number from 1 to 32'
        }
        register={register}
        errors={errors}
      />
      <Controller
        control={control}
        name="isolated"
        render={({ field }) => (
          <FormControlLabel
            control={<Checkbox size="small" checked={field.value} onChange={(_, on) => field.onChange(on)} />}
            label="Every outlet is isolated from the others"
          />
        )}
      />
      <CentreField control={control} name="centre" label="Centre contact of its plugs" />
      {(['volts', 'limit', 'total'] as const).map((name) => (
        <FigureText
          key={name}
          name={name}
          label={`${DC_SUPPLY_FIGURES[name].label} (${DC_SUPPLY_FIGURES[name].unit})`}
          rule={within(DC_SUPPLY_FIGURES[name], name === 'total')}
          register={register}
          errors={errors}
        />
      ))}
    </Frame>
  );
}

function unhung(load: DcLoad): DcLoad {
  const { on: _on, ...rest } = load;
  return rest;
}

interface LoadForm {
  name: string;
  centre: Centre;
  ground: Centre;
  digital: boolean;
  lowest: string;
  highest: string;
  current: string;
}

/** A box or pedal that hangs on a supply. */
export function LoadDialog(props: { load?: DcLoad; own: DirectCurrent; onSave: Save; onClose: () => void }) {
  const { load, own, onSave, onClose } = props;
  const { register, control, handleSubmit, formState } = useForm<LoadForm>({
    defaultValues: {
      name: load?.name ?? '',
      centre: load?.centre ?? 'negative',
      ground: load?.ground ?? 'negative',
      digital: load?.digital ?? false,
      lowest: String(load?.lowest.value ?? 8),
      highest: String(load?.highest.value ?? 10),
      current: String(load?.current.value ?? 10),
    },
  });
  const save = (form: LoadForm) => {
    const next: DcLoad = {
      id: load?.id ?? freeId(own.loads, form.name),
      name: form.name.trim(),
      centre: form.centre,
      ground: form.ground,
      digital: form.digital,
      lowest: figure(form.lowest, DC_LOAD_FIGURES.lowest, load?.lowest),
      highest: figure(form.highest, DC_LOAD_FIGURES.highest, load?.highest),
      current: figure(form.current, DC_LOAD_FIGURES.current, load?.current),
      ...(load?.on && { on: load.on }),
    };
    onSave((from) => ({
      ...from,
      loads: load ? from.loads.map((each) => (each.id === next.id ? next : each)) : [...from.loads, next],
    }));
    onClose();
  };
  const { errors } = formState;
  return (
    <Frame
      title={load ? load.name : 'New box or pedal'}
      onSubmit={handleSubmit(save)}
      onClose={onClose}
      onRemove={
        load &&
        (() => {
          onSave((from) => ({ ...from, loads: from.loads.filter(({ id }) => id !== load.id) }));
          onClose();
        })
      }
    >
      <NameField register={register} errors={errors} />
      <CentreField control={control} name="centre" label="Centre contact of its socket" />
      <CentreField control={control} name="ground" label="Pole that its signal ground is joined to" />
      <Controller
        control={control}
        name="digital"
        render={({ field }) => (
          <FormControlLabel
            control={<Checkbox size="small" checked={field.value} onChange={(_, on) => field.onChange(on)} />}
            label="Digital: it has a clock inside"
          />
        )}
      />
      {(['lowest', 'highest', 'current'] as const).map((name) => (
        <FigureText
          key={name}
          name={name}
          label={`${DC_LOAD_FIGURES[name].label} (${DC_LOAD_FIGURES[name].unit})`}
          rule={(text, form) => {
            const fits = within(DC_LOAD_FIGURES[name])(text);
            if (fits !== true || name !== 'highest') return fits;
            return amount(text) >= amount(form.lowest) || 'Not below the least voltage';
          }}
          register={register}
          errors={errors}
        />
      ))}
    </Frame>
  );
}

type AnyForm = SupplyForm | LoadForm;

function Frame(props: {
  title: string;
  onSubmit: () => void;
  onClose: () => void;
  onRemove?: () => void;
  children: ReactNode;
}) {
  const { title, onSubmit, onClose, onRemove, children } = props;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form onSubmit={onSubmit}>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            {children}
          </Stack>
        </DialogContent>
        <DialogActions>
          {onRemove && (
            <Button color="error" onClick={onRemove} sx={{ mr: 'auto' }}>
              Remove
            </Button>
          )}
          <Button color="inherit" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" variant="contained">
            Save
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

function NameField<F extends AnyForm>({ register, errors }: { register: UseFormRegister<F>; errors: FieldErrors<F> }) {
  return (
    <TextField
      label="Name"
      {...register('name' as never, { validate: ((text: string) => text.trim() !== '' || 'Give it a name') as never })}
      slotProps={{ htmlInput: { maxLength: 80 } }}
      error={Boolean(errors.name)}
      helperText={errors.name?.message as string | undefined}
    />
  );
}

function FigureText<F extends AnyForm>(props: {
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

function CentreField<F extends AnyForm>({
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
          <MenuItem value="negative">negative</MenuItem>
          <MenuItem value="positive">positive</MenuItem>
        </TextField>
      )}
    />
  );
}
