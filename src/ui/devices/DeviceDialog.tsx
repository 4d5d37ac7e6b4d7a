'use client';

import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Controller, useFieldArray, useForm, useWatch, type Control } from 'react-hook-form';
import { INLETS, inletKind } from '@/core/gear';
import { CHEMISTRIES, type Device, type SwitchGroup } from '@/core/rig';
import { FEEDS, type FeedName } from '@/core/standards/feeds';
import { feedLabel } from './feedLabel';

interface Props {
  device: Device;
  /** What else can be done with it, below the form. */
  fresh?: boolean;
  /** Devices of the kit that a new one may be like. */
  models?: readonly { name: string; device: Device }[];
  /** @returns what is wrong with it, if anything */
  onSave: (device: Device) => string | undefined;
  onRemove?: () => void;
  onClose: () => void;
}

interface Form {
  name: string;
  note: string;
  feedLimit: string;
  cells: string;
  chemistry: (typeof CHEMISTRIES)[number];
  capacity: string;
  inlets: { id: string; kind: string; name: string; was: string }[];
  groups: {
    id: string;
    name: string;
    inlets: string[];
    offers: Exclude<FeedName, 'off'>[];
    control: string;
    latched: boolean;
    mutes: boolean;
    ramp: string;
  }[];
}

const FEED_NAMES = Object.keys(FEEDS) as Exclude<FeedName, 'off'>[];

/** A device: its inlets, its switches and what they reach, what it can feed, what it runs on. */
export function DeviceDialog({ device: given, fresh, models = [], onSave, onRemove, onClose }: Props) {
  const [device, setDevice] = useState(given);
  const { register, control, handleSubmit, reset, formState } = useForm<Form>({ defaultValues: formOf(device) });
  const inlets = useFieldArray({ control, name: 'inlets' });
  const groups = useFieldArray({ control, name: 'groups' });
  const [refused, setRefused] = useState<string>();
  const { errors } = formState;
  const known = useWatch({ control, name: 'inlets' });
  const number = (text: string) =>
    text.trim() === '' || Number.isFinite(amount(text)) || 'Type a number, or leave it empty';
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <form onSubmit={handleSubmit((form) => setRefused(onSave(deviceOf(device, form))))}>
        <DialogTitle>{fresh ? 'New device' : device.name}</DialogTitle>
        <DialogContent>
          <Stack spacing={2.5} sx={{ pt: 0.5 }}>
            {refused && <Alert severity="error">{refused}</Alert>}
            {models.length > 0 && (
              <TextField
                select
                label="Take it from your kit"
                value=""
                onChange={(event) => {
                  const chosen = models.find(({ name }) => name === event.target.value)!;
                  setDevice(chosen.device);
                  reset(formOf(chosen.device));
                }}
                helperText="Or fill in what it has below"
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
                label="Name"
                {...register('name', { required: 'Give it a name', setValueAs: (text: string) => text.trim() })}
                error={Boolean(errors.name)}
                helperText={errors.name?.message}
              />
              <TextField
                label="All feeds together, at most (mA)"
                {...register('feedLimit', { validate: number })}
                error={Boolean(errors.feedLimit)}
                helperText={errors.feedLimit?.message ?? 'Empty: not known'}
              />
              <TextField label="Note" {...register('note')} />
              <TextField
                label="Cells"
                {...register('cells', { validate: number })}
                error={Boolean(errors.cells)}
                helperText={errors.cells?.message ?? 'Empty: runs on the mains'}
              />
              <Controller
                control={control}
                name="chemistry"
                render={({ field }) => (
                  <TextField select label="Chemistry" {...field}>
                    {CHEMISTRIES.map((name) => (
                      <MenuItem key={name} value={name}>
                        {name}
                      </MenuItem>
                    ))}
                  </TextField>
                )}
              />
              <TextField
                label="Charge of one cell (mAh)"
                {...register('capacity', { validate: number })}
                error={Boolean(errors.capacity)}
                helperText={errors.capacity?.message}
              />
            </Box>
            <Box component="section" aria-label="Inlets">
              <Typography variant="h3" component="h3" gutterBottom>
                Inlets
              </Typography>
              <Stack spacing={1}>
                {inlets.fields.map((field, n) => (
                  <Stack key={field.id} direction="row" spacing={1} sx={{ alignItems: 'center' }}>
                    <TextField
                      label="Number"
                      {...register(`inlets.${n}.id`, {
                        pattern: { value: /^[a-z0-9][a-z0-9-]{0,63}$/, message: 'Small letters, digits, hyphens' },
                      })}
                      error={Boolean(errors.inlets?.[n]?.id)}
                      helperText={errors.inlets?.[n]?.id?.message}
                      sx={{ width: 120 }}
                    />
                    <Controller
                      control={control}
                      name={`inlets.${n}.kind`}
                      render={({ field: kind }) => (
                        <TextField select label="Kind" {...kind} sx={{ flex: 1 }}>
                          {INLETS.map(({ kind: value, label }) => (
                            <MenuItem key={value} value={value}>
                              {label}
                            </MenuItem>
                          ))}
                        </TextField>
                      )}
                    />
                    <TextField label="Name, if it has one" {...register(`inlets.${n}.name`)} sx={{ flex: 1 }} />
                    <IconButton aria-label={`Remove inlet ${known[n]?.id}`} onClick={() => inlets.remove(n)}>
                      <DeleteOutlineIcon fontSize="small" />
                    </IconButton>
                  </Stack>
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
            <Box component="section" aria-label="Switches">
              <Typography variant="h3" component="h3" gutterBottom>
                Feed switches
              </Typography>
              {groups.fields.map((field, n) => (
                <Box key={field.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }}>
                  <Box
                    sx={{
                      display: 'grid',
                      gap: 1.5,
                      gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr 1.4fr 110px auto' },
                    }}
                  >
                    <TextField
                      label="Switch"
                      {...register(`groups.${n}.name`, { required: 'Give it a name' })}
                      error={Boolean(errors.groups?.[n]?.name)}
                      helperText={errors.groups?.[n]?.name?.message}
                    />
                    <Many
                      control={control}
                      name={`groups.${n}.offers`}
                      label="Offers"
                      options={FEED_NAMES.map((feed) => [feed, feedLabel(feed)])}
                    />
                    <TextField
                      label="Where it is found"
                      {...register(`groups.${n}.control`)}
                      placeholder="menu, inputs, page 2"
                    />
                    <TextField
                      label="Rises in (s)"
                      {...register(`groups.${n}.ramp`, { validate: number })}
                      error={Boolean(errors.groups?.[n]?.ramp)}
                    />
                    <IconButton aria-label={`Remove switch ${n + 1}`} onClick={() => groups.remove(n)}>
                      <DeleteOutlineIcon fontSize="small" />
                    </IconButton>
                  </Box>
                  <Stack direction="row" spacing={1.5} sx={{ mt: 1.25, alignItems: 'center', flexWrap: 'wrap' }}>
                    <Box sx={{ flex: 1, minWidth: 200 }}>
                      <Many
                        control={control}
                        name={`groups.${n}.inlets`}
                        label="Reaches inlets"
                        options={known
                          .filter(({ kind }) => 'feed' in inletKind(kind).choices)
                          .map(({ id, name }) => [id, name || id])}
                      />
                    </Box>
                    <FormControlLabel
                      control={<Tick control={control} name={`groups.${n}.latched`} />}
                      label="Latched: comes back with the mains"
                    />
                    <FormControlLabel
                      control={<Tick control={control} name={`groups.${n}.mutes`} />}
                      label="Mutes itself"
                    />
                  </Stack>
                </Box>
              ))}
              <Button
                startIcon={<AddIcon />}
                onClick={() =>
                  groups.append({
                    id: `switch-${Date.now().toString(36)}`,
                    name: `switch ${groups.fields.length + 1}`,
                    inlets: [],
                    offers: ['P48'],
                    control: '',
                    latched: false,
                    mutes: false,
                    ramp: '',
                  })
                }
              >
                Add a switch
              </Button>
            </Box>
          </Stack>
        </DialogContent>
        <DialogActions>
          {onRemove && (
            <Button color="error" onClick={onRemove} sx={{ mr: 'auto' }}>
              Remove the device and its lines
            </Button>
          )}
          <Button onClick={onClose} color="inherit">
            Cancel
          </Button>
          <Button type="submit" variant="contained">
            {fresh ? 'Add the device' : 'Save the device'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

function Many({
  control,
  name,
  label,
  options,
}: {
  control: Control<Form>;
  name: `groups.${number}.offers` | `groups.${number}.inlets`;
  label: string;
  options: [value: string, label: string][];
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField
          select
          fullWidth
          label={label}
          {...field}
          slotProps={{
            select: {
              multiple: true,
              renderValue: (value) =>
                (value as string[]).map((each) => options.find(([known]) => known === each)?.[1] ?? each).join(', '),
            },
          }}
        >
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

function Tick({
  control,
  name,
}: {
  control: Control<Form>;
  name: `groups.${number}.latched` | `groups.${number}.mutes`;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange } }) => (
        <Checkbox size="small" checked={value} onChange={(event) => onChange(event.target.checked)} />
      )}
    />
  );
}

const amount = (text: string): number => Number(text.trim().replace(',', '.'));

const nextNumber = (inlets: readonly { id: string }[]): string =>
  String(Math.max(0, ...inlets.map(({ id }) => Number(id) || 0)) + 1);

const formOf = (device: Device): Form => ({
  name: device.name,
  note: device.note ?? '',
  feedLimit: device.feedLimit ? String(device.feedLimit.value) : '',
  cells: device.batteries ? String(device.batteries.cells) : '',
  chemistry: device.batteries?.chemistry ?? 'nickel metal hydride',
  capacity: device.batteries?.capacity ? String(device.batteries.capacity.value) : '',
  inlets: device.inlets.map(({ id, kind, name }) => ({ id, kind, name: name ?? '', was: id })),
  groups: device.groups.map(({ id, name, inlets, offers, control, latched, mutes, ramp }) => ({
    id,
    name,
    inlets,
    offers,
    control: control ?? '',
    latched: latched ?? false,
    mutes: mutes ?? false,
    ramp: ramp ? String(ramp.value) : '',
  })),
});

/** The device as the form has it; figures keep where they come from as long as their value stays. */
function deviceOf(device: Device, form: Form): Device {
  const figure = <U extends 'mA' | 'mAh' | 's'>(text: string, unit: U, was: Device['feedLimit']) =>
    text.trim() === ''
      ? undefined
      : was?.value === amount(text)
        ? was
        : { value: amount(text), unit, basis: 'maker' as const };
  const feedLimit = figure(form.feedLimit, 'mA', device.feedLimit);
  const capacity = figure(form.capacity, 'mAh', device.batteries?.capacity);
  const cells = amount(form.cells);
  return {
    id: device.id,
    name: form.name.trim(),
    ...(form.note.trim() && { note: form.note.trim() }),
    ...(device.item && { item: device.item }),
    inlets: form.inlets.map(({ id, kind, name, was }) => {
      const before = device.inlets.find((inlet) => inlet.id === was);
      const { name: _name, ...same } = before?.kind === kind ? before : { id, kind };
      return { ...same, id, kind, ...(name.trim() && { name: name.trim() }) };
    }),
    groups: form.groups.map((group): SwitchGroup => {
      const before = device.groups.find(({ id }) => id === group.id);
      const ramp = figure(group.ramp, 's', before?.ramp);
      const feed = before && (before.feed === 'off' || group.offers.includes(before.feed)) ? before.feed : 'off';
      return {
        id: group.id,
        name: group.name.trim(),
        inlets: group.inlets,
        offers: group.offers,
        feed,
        ...(group.control.trim() && { control: group.control.trim() }),
        ...(group.latched && { latched: true }),
        ...(group.mutes && { mutes: true }),
        ...(ramp && { ramp }),
      };
    }),
    ...(feedLimit && { feedLimit }),
    ...(form.cells.trim() && {
      batteries: { cells, chemistry: form.chemistry, ...(capacity && { capacity }) },
    }),
  };
}
