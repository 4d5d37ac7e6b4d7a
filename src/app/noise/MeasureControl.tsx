'use client';

import GraphicEqIcon from '@mui/icons-material/GraphicEq';
import MicNoneIcon from '@mui/icons-material/MicNone';
import UploadFileOutlinedIcon from '@mui/icons-material/UploadFileOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useRef, type ReactNode } from 'react';
import { digits } from '@/core/units/format';
import { DropZone } from '@/ui/files/DropZone';
import type { useMeter } from './useMeter';
import { measureControl as text } from './texts';

interface Props {
  meter: ReturnType<typeof useMeter>;
  /** How long the browser's input is recorded, in seconds. */
  seconds: number;
  /** Address of what the simulated interface records here. */
  simulated: () => string;
  /** Settings of the simulated interface, where there are any. */
  settings?: ReactNode;
  disabled?: boolean;
}

/** A recording, from a file, the browser's input or the simulated interface; how far it is, and how to stop it. */
export function MeasureControl({ meter, seconds, simulated, settings, disabled }: Props) {
  const { metering, file, listen, finish, stop, dismiss } = meter;
  const input = useRef<HTMLInputElement>(null);
  const take = (chosen: File | undefined) => chosen && file(chosen);
  if (metering.state === 'measuring') {
    const { share, name, origin, peak } = metering;
    const level = peak > 0 ? 20 * Math.log10(peak) : -200;
    return (
      <Box role="status" sx={{ border: 1, borderColor: 'divider', p: 1.5 }}>
        <Typography variant="body2" sx={{ mb: 0.75 }}>
          {text.readingSeconds(origin, name, digits(metering.seconds, 1), peak, level)}
        </Typography>
        <LinearProgress
          aria-label={text.progress}
          variant={share === undefined ? 'indeterminate' : 'determinate'}
          value={100 * (share ?? 0)}
        />
        <Box sx={{ mt: 1, display: 'flex', gap: 1 }}>
          {origin === 'browser' && (
            <Button variant="contained" onClick={finish}>
              {text.stopAndAnalyse}
            </Button>
          )}
          <Button variant="outlined" onClick={stop}>
            {text.cancel}
          </Button>
        </Box>
      </Box>
    );
  }
  return (
    <>
      <DropZone onFile={(dropped) => !disabled && take(dropped)}>
        <Button
          variant="outlined"
          disabled={disabled}
          startIcon={<UploadFileOutlinedIcon />}
          onClick={() => input.current?.click()}
        >
          {text.chooseOrDropAWav}
        </Button>
        <Button variant="outlined" disabled={disabled} startIcon={<MicNoneIcon />} onClick={() => void listen(seconds)}>
          {text.recordThisBrowsersInput}
        </Button>
        <Button
          variant="outlined"
          disabled={disabled}
          startIcon={<GraphicEqIcon />}
          onClick={() => meter.simulated(simulated(), text.nameOfSimulated)}
        >
          {text.simulatedInterface}
        </Button>
        {settings}
        <input
          ref={input}
          type="file"
          accept=".wav,.wave,.bwf,.rf64,audio/wav,audio/x-wav"
          hidden
          aria-label={text.wavFileToMeasure}
          onChange={(event) => {
            take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </DropZone>
      {metering.state === 'failed' && (
        <Alert severity="error" onClose={dismiss} sx={{ mt: 1 }}>
          {metering.message}
        </Alert>
      )}
    </>
  );
}
