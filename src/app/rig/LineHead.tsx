'use client';

import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import SwapVertIcon from '@mui/icons-material/SwapVert';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { Verdict } from '@/core/check';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { lineHead as text } from './texts';

export type PanelTab = 'why' | 'part' | 'readings' | 'moments';

interface Props {
  name: string;
  inlet: string | undefined;
  verdict: Verdict;
  tab: PanelTab;
  onTab: (tab: PanelTab) => void;
  onDuplicate: () => void;
  onMove: (button: HTMLElement) => void;
  onRemove: () => void;
}

/** Which line it is, what it is, and what can be done with it as a whole. */
export const LineHead = memo(function LineHead({
  name,
  inlet,
  verdict,
  tab,
  onTab,
  onDuplicate,
  onMove,
  onRemove,
}: Props) {
  return (
    <Box sx={{ px: 2.5, pt: 1.75 }}>
      <Typography variant="caption" color="textSecondary" component="p">
        {inlet}
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <Typography variant="panel" component="h2" sx={{ flex: 1, minWidth: 0 }}>
          {name}
        </Typography>
        <Actions {...{ onDuplicate, onMove, onRemove }} />
      </Box>
      <Box data-testid="verdict" sx={{ mt: 0.25 }}>
        <VerdictMark verdict={verdict} size="large" />
      </Box>
      <PanelTabs tab={tab} onTab={onTab} />
    </Box>
  );
});

const Actions = memo(function Actions({
  onDuplicate,
  onMove,
  onRemove,
}: Pick<Props, 'onDuplicate' | 'onMove' | 'onRemove'>) {
  return (
    <>
      <Action label={text.duplicateThisLineD} onClick={onDuplicate} icon={<ContentCopyIcon sx={{ fontSize: 17 }} />} />
      <Action
        label={text.moveToAnotherInletM}
        onClick={(event) => onMove(event.currentTarget)}
        icon={<SwapVertIcon sx={{ fontSize: 19 }} />}
      />
      <Action
        label={text.removeThisLineDeleteUndo}
        onClick={onRemove}
        icon={<DeleteOutlineIcon sx={{ fontSize: 18 }} />}
      />
    </>
  );
});

const PanelTabs = memo(function PanelTabs({ tab, onTab }: Pick<Props, 'tab' | 'onTab'>) {
  return (
    <Tabs
      value={tab}
      onChange={(_, to: PanelTab) => onTab(to)}
      aria-label={text.aboutThisLine}
      sx={{
        mt: 0.5,
        minHeight: { xs: 44, md: 34 },
        '& .MuiTab-root': {
          minHeight: { xs: 44, md: 34 },
          minWidth: 0,
          px: 1.25,
          textTransform: 'none',
          fontSize: 'body2.fontSize',
        },
      }}
    >
      <Tab value="why" label={text.why} />
      <Tab value="part" label={text.parts} />
      <Tab value="readings" label={text.readings} />
      <Tab value="moments" label={text.transients} />
    </Tabs>
  );
});

function Action({
  label,
  icon,
  onClick,
}: {
  label: string;
  icon: React.ReactNode;
  onClick: (event: React.MouseEvent<HTMLButtonElement>) => void;
}) {
  return (
    <Tooltip title={label}>
      <IconButton size="small" aria-label={label.replace(/ \(.*/, '')} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
}
