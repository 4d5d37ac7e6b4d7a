'use client';

import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
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
import { inletKind } from '@/core/gear';
import { feedLabel, FEEDS, type FeedName, USUAL } from '@/core/standards/feeds';
import { typedNumber, type DeviceForm } from './deviceForm';
import { switchFields as texts } from './texts';

const FEED_NAMES = Object.keys(FEEDS) as Exclude<FeedName, 'off'>[];

interface Props {
  control: Control<DeviceForm>;
  register: UseFormRegister<DeviceForm>;
  errors: FieldErrors<DeviceForm>;
}

/** The feed switches of a device: what each offers and reaches, and how it behaves. */
export function SwitchFields({ control, register, errors }: Props) {
  const groups = useFieldArray({ control, name: 'groups' });
  const known = useWatch({ control, name: 'inlets' });
  return (
    <Box component="section" aria-label={texts.switches}>
      <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
        {texts.feedSwitches}
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
              label={texts.switchWord}
              {...register(`groups.${n}.name`, { required: texts.giveItAName })}
              error={Boolean(errors.groups?.[n]?.name)}
              helperText={errors.groups?.[n]?.name?.message}
            />
            <Many
              control={control}
              name={`groups.${n}.offers`}
              label={texts.settings}
              wrong={errors.groups?.[n]?.offers?.message}
              options={FEED_NAMES.map((feed) => [feed, feedLabel(feed)])}
            />
            <TextField
              label={texts.whereIt}
              {...register(`groups.${n}.control`)}
              placeholder={texts.menuInputsPage2}
              error={Boolean(errors.groups?.[n]?.control)}
              helperText={errors.groups?.[n]?.control?.message}
            />
            <TextField
              label={texts.softStart}
              {...register(`groups.${n}.ramp`, { validate: typedNumber })}
              error={Boolean(errors.groups?.[n]?.ramp)}
              helperText={errors.groups?.[n]?.ramp?.message}
            />
            <IconButton aria-label={texts.removeSwitch(n + 1)} onClick={() => groups.remove(n)}>
              <DeleteOutlineIcon fontSize="small" />
            </IconButton>
          </Box>
          <Stack direction="row" spacing={1.5} sx={{ mt: 1.25, alignItems: 'center', flexWrap: 'wrap' }}>
            <Box sx={{ flex: 1, minWidth: 200 }}>
              <Many
                control={control}
                name={`groups.${n}.inlets`}
                label={texts.feedsInlets}
                wrong={errors.groups?.[n]?.inlets?.message}
                options={known
                  .filter(({ kind }) => 'feed' in inletKind(kind).choices)
                  .map(({ id, name }) => [id, name || id])}
              />
            </Box>
            <FormControlLabel
              control={<Tick control={control} name={`groups.${n}.latched`} />}
              label={texts.feedReturnsAfterAPower}
            />
            <FormControlLabel
              control={<Tick control={control} name={`groups.${n}.mutes`} />}
              label={texts.mutesWhileSwitching}
            />
          </Stack>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        onClick={() =>
          groups.append({
            id: `switch-${Date.now().toString(36)}`,
            name: texts.newSwitch(groups.fields.length + 1),
            inlets: [],
            offers: [USUAL],
            control: '',
            latched: false,
            mutes: false,
            ramp: '',
          })
        }
      >
        {texts.addASwitch}
      </Button>
    </Box>
  );
}

function Many({
  control,
  name,
  label,
  wrong,
  options,
}: {
  control: Control<DeviceForm>;
  name: `groups.${number}.offers` | `groups.${number}.inlets`;
  label: string;
  wrong?: string;
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
          error={Boolean(wrong)}
          helperText={wrong}
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
  control: Control<DeviceForm>;
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
