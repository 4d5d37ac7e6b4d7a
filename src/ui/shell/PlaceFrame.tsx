'use client';

import { visuallyHidden } from '@mui/utils';
import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { useEffect, useRef, type ReactNode } from 'react';
import { PlaceBar } from './PlaceBar';
import { PlaceRail, type PlacePath } from './PlaceRail';
import { SidePanel } from './SidePanel';
import { placeFrame as text } from './texts';

interface Props {
  here: PlacePath;
  /** The rig that stays open from place to place. */
  rig: string;
  bar: ReactNode;
  /** Between the bar and the sheet, where something must be told. */
  notice?: ReactNode;
  /** What stands beside the sheet, or over it where the screen is narrow. */
  panel: ReactNode;
  panelLabel: string;
  panelWidth: number;
  /** On a narrow screen: whether the panel is shown, and how it is left. */
  open: boolean;
  onClose: () => void;
  closeLabel: string;
  children: ReactNode;
}

/** The first things that Tab reaches: past the bar and the places, to what the page is about. */
const SkipLinks = ({ panel }: { panel: boolean }) => (
  <Box
    sx={({ vars }) => ({
      position: 'absolute',
      zIndex: 10,
      '& a': { ...visuallyHidden },
      '& a:focus': {
        all: 'unset',
        position: 'absolute',
        left: 8,
        top: 6,
        px: 2,
        py: 1,
        whiteSpace: 'nowrap',
        fontWeight: 650,
        cursor: 'pointer',
        bgcolor: 'background.paper',
        color: 'primary.main',
        outline: `2px solid ${vars!.palette.primary.main}`,
      },
    })}
  >
    <a href="#sheet">{text.skipToTheSheet}</a>
    {panel && <a href="#panel">{text.skipToThePanel}</a>}
  </Box>
);

/** What every place has in common: the bar, the rail of places, the sheet, and the panel beside it. */
export function PlaceFrame(props: Props) {
  const { here, rig, bar, notice, panel, panelLabel, panelWidth, open, onClose, closeLabel, children } = props;
  const wide = useMediaQuery(useTheme().breakpoints.up('lg'));
  const frame = useRef<HTMLDivElement>(null);
  // From here on keys and buttons do something: what drives the page from outside can wait for it.
  useEffect(() => {
    frame.current!.dataset.place = 'live';
  }, []);
  return (
    <Box
      ref={frame}
      data-place="drawn"
      sx={{
        height: { md: '100dvh' },
        minHeight: '100dvh',
        display: 'grid',
        gridTemplateAreas: {
          xs: '"bar" "notice" "sheet" "rail"',
          md: '"bar bar" "notice notice" "rail sheet"',
          lg: '"bar bar bar" "notice notice notice" "rail sheet panel"',
        },
        gridTemplateColumns: {
          xs: 'minmax(0, 1fr)',
          md: '68px minmax(0, 1fr)',
          lg: `68px minmax(0, 1fr) ${panelWidth}px`,
        },
        gridTemplateRows: { xs: 'auto auto 1fr auto', md: 'auto auto minmax(0, 1fr)' },
      }}
    >
      <SkipLinks panel={wide} />
      <PlaceBar>{bar}</PlaceBar>
      <Box sx={{ gridArea: 'notice', minWidth: 0 }}>{notice}</Box>
      <PlaceRail here={here} rig={rig} />
      {children}
      <SidePanel
        wide={wide}
        label={panelLabel}
        width={panelWidth}
        open={open}
        onClose={onClose}
        closeLabel={closeLabel}
      >
        {panel}
      </SidePanel>
    </Box>
  );
}
