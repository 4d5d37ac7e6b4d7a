'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Controller, useForm } from 'react-hook-form';
import { DC_SUPPLY_FIGURES, freeId, type Centre, type DcLoad, type DcSupply, type DirectCurrent } from '@/core/rig';
import { amount, CentreField, FigureText, figure, Frame, NameField, within, type Save } from './DcFields';
import { supplyDialog as texts } from './texts';

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
      title={supply ? supply.name : texts.newSupply}
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
        label={texts.outlets}
        rule={(text) =>
          (Number.isInteger(amount(text)) && amount(text) >= 1 && amount(text) <= 32) || texts.aWholeNumberFrom1
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
            label={texts.isolatedOutputs}
          />
        )}
      />
      <CentreField control={control} name="centre" label={texts.centreContactOfItsPlugs} />
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
