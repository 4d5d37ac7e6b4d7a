'use client';

import NotificationsNoneIcon from '@mui/icons-material/NotificationsNone';
import NotificationsOffOutlinedIcon from '@mui/icons-material/NotificationsOffOutlined';
import PrintOutlinedIcon from '@mui/icons-material/PrintOutlined';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { BarHeading, BarMore } from '@/ui/shell/barParts';
import { useStored } from '@/ui/shell/useStored';
import type { Switching } from './useSwitching';

const LINKS = {
  joining: 'connecting …',
  'in step': 'connected',
  lost: 'connection lost: steps are not recorded, clocks keep running',
} as const;

/** Whether the end of a wait is told by a tone in this browser. */
export const useTone = () => useStored('inlet-check-sound', 'on');

interface Props {
  /** Id of the rig. */
  rig: string;
  name: string;
  link: Switching['link'];
  who: string;
  onWho: (who: string) => void;
}

/** The bar above a run sheet: whether it is in step with the others, who one is, the tone, and the sheet on paper. */
export function SwitchBar({ rig, name, link, who, onWho }: Props) {
  const [sound, setSound] = useTone();
  return (
    <>
      <BarHeading rig={name} />
      <Typography variant="caption" noWrap role="status" color={link === 'lost' ? 'error' : 'textSecondary'}>
        {LINKS[link]}
      </Typography>
      <BarMore>
        <InputBase
          value={who}
          onChange={(event) => onWho(event.target.value.slice(0, 60))}
          placeholder="Your name"
          inputProps={{ 'aria-label': 'Your name, for the log' }}
          sx={{ width: 110, fontSize: '0.8125rem', px: 1, borderBottom: 1, borderColor: 'divider' }}
        />
        <Tooltip title={sound === 'on' ? 'A tone tells when a wait is over' : 'No tone'}>
          <IconButton
            aria-label={sound === 'on' ? 'Turn the tone off' : 'Turn the tone on'}
            onClick={() => setSound(sound === 'on' ? 'off' : 'on')}
          >
            {sound === 'on' ? (
              <NotificationsNoneIcon fontSize="small" />
            ) : (
              <NotificationsOffOutlinedIcon fontSize="small" />
            )}
          </IconButton>
        </Tooltip>
        <Tooltip title="The sheet on paper">
          <IconButton component={NextLink} href={`/switch/print?rig=${rig}`} aria-label="The sheet on paper">
            <PrintOutlinedIcon fontSize="small" />
          </IconButton>
        </Tooltip>
      </BarMore>
    </>
  );
}
