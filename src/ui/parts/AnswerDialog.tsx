'use client';

import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import type { Fact } from '@/core/gear';
import { FormDialog } from '@/ui/shell/FormDialog';
import { answerDialog as texts } from './texts';

interface Props {
  title: string;
  /** Where else the same item of the kit is used. */
  everywhere?: string;
  onClose: () => void;
  onRecord: (fact: Fact) => void;
}

/** Who answered, when, and where it is written: an assumption becomes a fact. */
export function AnswerDialog({ title, everywhere, onClose, onRecord }: Props) {
  const { register, handleSubmit, formState } = useForm<Required<Fact>>({
    defaultValues: { who: '', when: dayjs().format('YYYY-MM-DD'), where: '' },
  });
  const { errors } = formState;
  return (
    <FormDialog
      title={texts.recordTheAnswer}
      submit={texts.record}
      onSubmit={handleSubmit(({ who, when, where }) =>
        onRecord({ who, when, ...(where.trim() && { where: where.trim() }) }),
      )}
      onClose={onClose}
    >
      <Stack spacing={2} sx={{ pt: 0.5 }}>
        <Typography variant="body2">{title}</Typography>
        <TextField
          label={texts.whoAnswered}
          autoFocus
          {...register('who', {
            setValueAs: (text: string) => text.trim(),
            required: texts.whoSaysSoMakerRepair,
            maxLength: { value: 80, message: texts.atMost(80) },
          })}
          error={Boolean(errors.who)}
          helperText={errors.who?.message ?? texts.theMakerARepairShop}
        />
        <TextField
          label={texts.when}
          type="date"
          {...register('when', { required: texts.dateOfTheAnswer })}
          error={Boolean(errors.when)}
          helperText={errors.when?.message}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          label={texts.whereItIsWritten}
          {...register('where', { maxLength: { value: 200, message: texts.atMost(200) } })}
          error={Boolean(errors.where)}
          helperText={errors.where?.message ?? texts.letterPageOrFileOptional}
        />
        {everywhere && (
          <Typography variant="caption" color="textSecondary">
            {everywhere}
          </Typography>
        )}
      </Stack>
    </FormDialog>
  );
}
