'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Controller, useForm } from 'react-hook-form';
import { DC_LOAD_FIGURES, freeId, type Centre, type DcLoad, type DirectCurrent } from '@/core/rig';
import { worded } from '@/core/units/conventions';
import { amount, CentreField, FigureText, figure, Frame, NameField, within, type Save } from './DcFields';
import { loadDialog as texts } from './texts';

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
      title={load ? load.name : texts.newBoxOrPedal}
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
      <CentreField control={control} name="centre" label={texts.centreContactOfItsSocket} />
      <CentreField control={control} name="ground" label={worded(texts.poleItsSignalGround)} />
      <Controller
        control={control}
        name="digital"
        render={({ field }) => (
          <FormControlLabel
            control={<Checkbox size="small" checked={field.value} onChange={(_, on) => field.onChange(on)} />}
            label={texts.digitalItHasAClock}
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
            return amount(text) >= amount(form.lowest) || texts.notBelowTheLeastVoltage;
          }}
          register={register}
          errors={errors}
        />
      ))}
    </Frame>
  );
}
