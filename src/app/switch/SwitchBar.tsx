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
import { switchBar as text } from './texts';

const LINKS = {
  joining: text.connecting,
  'in step': text.connected,
  lost: text.connectionLostSteps,
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
          placeholder={text.yourName}
          inputProps={{ 'aria-label': text.yourNameForTheLog }}
          sx={{ width: 110, fontSize: 'body2.fontSize', px: 1, borderBottom: 1, borderColor: 'divider' }}
        />
        <Tooltip title={sound === 'on' ? text.aToneTellsWhen : text.noTone}>
          <IconButton
            aria-label={sound === 'on' ? text.turnTheToneOff : text.turnTheTone}
            onClick={() => setSound(sound === 'on' ? 'off' : 'on')}
          >
            {sound === 'on' ? (
              <NotificationsNoneIcon fontSize="small" />
            ) : (
              <NotificationsOffOutlinedIcon fontSize="small" />
            )}
          </IconButton>
        </Tooltip>
        <Tooltip title={text.theSheetOnPaper}>
          <IconButton
            component={NextLink}
            prefetch={false}
            href={`/switch/print?rig=${rig}`}
            aria-label={text.theSheetOnPaper}
          >
            <PrintOutlinedIcon fontSize="small" />
          </IconButton>
        </Tooltip>
      </BarMore>
    </>
  );
}
