'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { sourceKind } from '@/core/gear';
import type { RigDocument } from '@/core/rig';
import { applyToRig } from '@/core/rig/rigEdits';
import { currentBetween, currentDrawn, exceeds, feedMismatch, MATCHED, type Measured } from '@/core/testing';
import { quantity } from '@/core/units/format';
import { useDraft } from '@/ui/shell/useDraft';
import { numberIn as numberOf } from './words';
import { meterView as text } from './texts';

interface Readings {
  open: string;
  two: string;
  three: string;
  first: string;
  second: string;
  share: string;
  digits: string;
  line: string;
}
const NONE: Readings = { open: '', two: '', three: '', first: '', second: '', share: '0.5', digits: '0.02', line: '' };

const within = ({ value, plusMinus }: Measured, unit: string): string =>
  `${quantity(value, unit)} ± ${quantity(plusMinus, unit)}`;

const ANSWERS = {
  yes: text.moreThanTheStandardAllows,
  no: text.withinTheStandard,
  'cannot say': text.tooCloseForThisMeter,
};

interface Props {
  rig: string;
  document: RigDocument;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** What readings on a line that works say of its microphone and of its inlet. */
export function MeterView({ rig, document, onChange, onTold }: Props) {
  const [typed, setTyped] = useDraft<Readings>(`meter ${rig}`, NONE);
  const [kept, setKept] = useState('');
  const field = (name: keyof Readings, label: string, width = 190) => (
    <TextField
      label={label}
      value={typed[name]}
      error={typed[name].trim() !== '' && numberOf(typed[name]) === undefined}
      helperText={typed[name].trim() !== '' && numberOf(typed[name]) === undefined ? text.aNumberSuchAs47 : undefined}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value.slice(0, 12) })}
      sx={{ width }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  const [open, two, three, first, second, share, digits] = (
    ['open', 'two', 'three', 'first', 'second', 'share', 'digits'] as const
  ).map((name) => numberOf(typed[name]));
  const accuracy = { share: (share ?? 0) / 100, digits: digits ?? 0 };
  const pins = two !== undefined && three !== undefined ? ([two, three] as const) : undefined;
  const drawn = open !== undefined && pins ? currentDrawn(open, pins, accuracy) : undefined;
  const between = pins && open === undefined ? currentBetween(pins) : undefined;
  const mismatch =
    open !== undefined && first !== undefined && second !== undefined
      ? feedMismatch(open, [first / 1000, second / 1000], accuracy)
      : undefined;
  const lines = document.lines.filter(({ source }) => 'kind' in source && 'current' in sourceKind(source.kind).figures);
  const keep = () => {
    const line = lines.find(({ id }) => id === typed.line);
    if (!line || !drawn) return;
    const milliamps = Number((1000 * drawn.total.value).toFixed(2));
    onChange((from) =>
      applyToRig(from, line.id, [
        {
          do: 'set figure',
          part: 'source',
          figure: 'current',
          to: { value: milliamps, unit: 'mA', basis: 'measured', where: `± ${quantity(drawn.total.plusMinus, 'A')}` },
        },
      ]),
    );
    setKept(line.id);
    onTold(text.itsCurrentIsMa(line.name, milliamps));
  };
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, py: 2, maxWidth: 760 }}>
      <Typography variant="h2">{text.yourMeter}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {text.fromItsManualAShare}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {field('share', text.accuracyOfReading)}
        {field('digits', text.lastDigitsV)}
      </Box>
      <Typography variant="h2" sx={{ mt: 2.5 }}>
        {text.whatAMicrophoneDraws}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {text.howTheCurrentIsRead}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {field('open', text.openPin2To1)}
        {field('two', text.runningPin2To1)}
        {field('three', text.runningPin3To1)}
      </Box>
      <Typography role="status" sx={{ mt: 1, fontWeight: 650 }}>
        {drawn &&
          text.pin2Pin3(
            within(drawn.total, 'A'),
            quantity(drawn.legs[0].value, 'A'),
            quantity(drawn.legs[1].value, 'A'),
          )}
        {between && text.anythingFromToRead(quantity(between[0], 'A'), quantity(between[1], 'A'))}
      </Typography>
      {drawn && drawn.total.value > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 1, alignItems: 'center' }}>
          <TextField
            select
            label={text.itIsTheMicrophone}
            value={typed.line}
            onChange={(event) => setTyped({ ...typed, line: event.target.value })}
            sx={{ width: 280 }}
          >
            {lines.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <Button
            variant="outlined"
            disabled={typed.line === '' || kept === typed.line}
            onClick={keep}
            sx={{ minHeight: { xs: 44, md: 40 } }}
          >
            {text.useItOnTheRig}
          </Button>
        </Box>
      )}
      <Typography variant="h2" sx={{ mt: 2.5 }}>
        {text.howWellAnInletsFeed}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {text.twoLoadsOf68}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {field('first', text.pin2To3Mv)}
        {field('second', text.loadsExchangedMv)}
      </Box>
      <Typography role="status" sx={{ mt: 1, fontWeight: 650 }}>
        {mismatch &&
          `${(100 * mismatch.value).toFixed(2)} % ± ${(100 * mismatch.plusMinus).toFixed(2)} %: ${ANSWERS[exceeds(mismatch, MATCHED)]} (0.4 %).`}
      </Typography>
    </Box>
  );
}
