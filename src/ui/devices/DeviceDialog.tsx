'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { CHEMISTRIES, type Device, type Refusal } from '@/core/rig';
import {
  deviceOf,
  fieldAt,
  formOf,
  mended,
  shaped,
  typedNumber,
  withFigures,
  type DeviceForm,
  type SetFigures,
} from './deviceForm';
import { InletFigures } from './InletFigures';
import { InletFields } from './InletFields';
import { SwitchFields } from './SwitchFields';
import { worded } from '@/core/units/conventions';
import { FormDialog } from '../shell/FormDialog';
import { deviceDialog as texts } from './texts';

interface Props {
  device: Device;
  /** What else can be done with it, below the form. */
  fresh?: boolean;
  /** Devices that a new one may be like: those of the kit, and such as there are many of. */
  models?: readonly { name: string; device: Device }[];
  /** @returns what is wrong with it, by paths within the device; nothing where it was taken over */
  onSave: (device: Device) => readonly Refusal[] | Promise<readonly Refusal[]>;
  /** Puts it into the kit. @returns what is wrong, if anything */
  onKeep?: (device: Device) => Promise<readonly Refusal[]>;
  onRemove?: () => void;
  onClose: () => void;
}

/** A device: its inlets, its switches and what they reach, what it can feed, what it runs on. */
export function DeviceDialog({ device: given, fresh, models = [], onSave, onKeep, onRemove, onClose }: Props) {
  const [device, setDevice] = useState(given);
  const { register, control, handleSubmit, reset, getValues, setValue, setError, formState } = useForm<DeviceForm>({
    defaultValues: formOf(device),
  });
  const [refused, setRefused] = useState('');
  const [figures, setFigures] = useState<SetFigures>({});
  const kinds = useWatch({ control, name: 'inlets' }).map(({ kind }) => kind);
  const { errors } = formState;
  const made = (form: DeviceForm) => withFigures(deviceOf(device, form), figures);
  /** What is wrong stands beside its field, or above them all where no field is to blame. */
  const tell = (refusals: readonly Refusal[]) => {
    const placed = refusals.map((each) => ({ ...each, field: fieldAt(each.path) }));
    placed.forEach(({ field, message }, n) => field && setError(field, { message }, { shouldFocus: n === 0 }));
    const rest = placed.filter(({ field }) => !field);
    setRefused(rest.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join('\n'));
  };
  return (
    <FormDialog
      title={fresh ? texts.newDevice : device.name}
      width="md"
      submit={fresh ? texts.addTheDevice : texts.saveTheDevice}
      // Once at a time: what is saved already is not saved again by a second press.
      onSubmit={formState.isSubmitting ? () => {} : handleSubmit(async (form) => tell(await onSave(made(form))))}
      onClose={onClose}
      beside={
        onRemove && (
          <Button color="error" onClick={onRemove}>
            {texts.removeTheDevice}
          </Button>
        )
      }
      also={
        onKeep && (
          <Button
            color="inherit"
            // Not disabled meanwhile: a button that is loses the focus.
            onClick={formState.isSubmitting ? undefined : handleSubmit(async (form) => tell(await onKeep(made(form))))}
          >
            {texts.saveAndAdd}
          </Button>
        )
      }
    >
      <Stack spacing={2.5} sx={{ pt: 0.5 }}>
        {refused && <Alert severity="error">{refused}</Alert>}
        {models.length > 0 && (
          <TextField
            select
            label={texts.beginWith}
            value=""
            onChange={(event) => {
              const chosen = models.find(({ name }) => name === event.target.value)!;
              setDevice(chosen.device);
              reset(formOf(chosen.device));
              setFigures({});
            }}
            helperText={texts.oneOfYourKit}
          >
            {models.map(({ name }) => (
              <MenuItem key={name} value={name}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr 1fr' } }}>
          <TextField
            label={texts.name}
            {...register('name', { required: texts.giveItAName, setValueAs: (text: string) => text.trim() })}
            error={Boolean(errors.name)}
            helperText={errors.name?.message}
          />
          <TextField
            label={texts.maximumTotalFeedCurrentMa}
            {...register('feedLimit', { validate: typedNumber })}
            error={Boolean(errors.feedLimit)}
            helperText={errors.feedLimit?.message ?? texts.blankNotKnown}
          />
          <TextField
            label={texts.note}
            {...register('note')}
            error={Boolean(errors.note)}
            helperText={errors.note?.message}
          />
          <Controller
            control={control}
            name="ground"
            render={({ field }) => (
              <TextField select label={worded(texts.ground)} {...field}>
                <MenuItem value="unknown">{texts.notKnown}</MenuItem>
                <MenuItem value="earthed">{texts.onMainsEarth}</MenuItem>
                <MenuItem value="floating">{texts.floatingBatteriesOrTwoPin}</MenuItem>
              </TextField>
            )}
          />
          <TextField
            label={texts.batteriesNumberOfCells}
            {...register('cells', { validate: typedNumber })}
            error={Boolean(errors.cells)}
            helperText={errors.cells?.message ?? texts.blankMains}
          />
          <Controller
            control={control}
            name="chemistry"
            render={({ field }) => (
              <TextField select label={texts.chemistry} {...field}>
                {CHEMISTRIES.map((name) => (
                  <MenuItem key={name} value={name}>
                    {name}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
          <TextField
            label={texts.capacityPerCellMah}
            {...register('capacity', { validate: typedNumber })}
            error={Boolean(errors.capacity)}
            helperText={errors.capacity?.message}
          />
        </Box>
        <InletFields
          control={control}
          register={register}
          errors={errors}
          onShape={(count, kind, pattern) =>
            reset(shaped(getValues(), count, kind, pattern), { keepDefaultValues: true })
          }
          onRemove={(n) => {
            const inlets = getValues('inlets').toSpliced(n, 1);
            setValue('groups', mended(getValues('groups'), inlets));
            setValue('inlets', inlets);
          }}
        />
        <InletFigures
          key={device.id}
          device={device}
          kinds={kinds}
          set={figures}
          onSet={(kind, name, figure) => setFigures((now) => ({ ...now, [kind]: { ...now[kind], [name]: figure } }))}
        />
        <SwitchFields control={control} register={register} errors={errors} />
      </Stack>
    </FormDialog>
  );
}
