'use client';

import Box from '@mui/material/Box';
import Snackbar from '@mui/material/Snackbar';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { BarHeading, BarMore, UndoRedo } from '@/ui/shell/barParts';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import type { PlacePath } from '@/ui/shell/PlaceRail';
import { savingText } from './savingText';
import { RigNotice } from './RigNotice';
import type { useRig } from './useRig';
import { useShortcut } from '@/ui/shell/useShortcut';

interface Props<T extends string> {
  here: PlacePath;
  /** The rig that is open, and its id. */
  id: string;
  rig: ReturnType<typeof useRig>;
  tabs: readonly { value: T; label: string }[];
  tabsLabel: string;
  tab: T;
  onTab: (to: T) => void;
  /** Beside the tabs. */
  beside?: ReactNode;
  panel: ReactNode;
  panelLabel: string;
  panelWidth: number;
  open: boolean;
  onClose: () => void;
  closeLabel: string;
  /** What was done, in words, until it has been read. */
  message: string;
  onRead: () => void;
  children: ReactNode;
}

/** A place that changes the rig and has several parts: undo, redo, saving, what another tab has done, one part at a time. */
export function TabbedPlace<T extends string>(props: Props<T>) {
  const { here, id, rig, tabs, tabsLabel, tab, onTab, beside, message, onRead, children, ...panel } = props;
  const { document, revision, saving, undo, redo } = rig;
  useShortcut('mod+z', () => undo?.(), { instead: true }, [undo]);
  useShortcut('mod+shift+z, mod+y', () => redo?.(), { instead: true }, [redo]);
  return (
    <>
      <PlaceFrame
        here={here}
        rig={id}
        bar={
          <>
            <BarHeading rig={document.name} />
            <Typography
              variant="caption"
              role="status"
              noWrap
              suppressHydrationWarning
              color={saving.state === 'failed' ? 'error' : 'textSecondary'}
            >
              {savingText(saving, revision)}
            </Typography>
            <BarMore>
              <UndoRedo undo={undo} redo={redo} />
            </BarMore>
          </>
        }
        notice={<RigNotice rig={rig} />}
        {...panel}
      >
        <Box
          component="main"
          id="sheet"
          tabIndex={-1}
          sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, display: 'flex', flexDirection: 'column' }}
        >
          <Box
            sx={{
              borderBottom: 1,
              borderColor: 'divider',
              px: 1,
              bgcolor: 'background.paper',
              display: 'flex',
              alignItems: 'center',
            }}
          >
            <Tabs
              value={tab}
              onChange={(_, to: T) => onTab(to)}
              aria-label={tabsLabel}
              variant="scrollable"
              scrollButtons={false}
              sx={{
                minHeight: { xs: 44, md: 38 },
                '& .MuiTab-root': {
                  minHeight: { xs: 44, md: 38 },
                  py: 0.5,
                  minWidth: { xs: 0, md: 90 },
                  px: { xs: 1.25, md: 2 },
                },
              }}
            >
              {tabs.map(({ value, label }) => (
                <Tab key={value} value={value} label={label} id={`tab-${value}`} aria-controls={`view-${value}`} />
              ))}
            </Tabs>
            {beside}
          </Box>
          <Box
            role="tabpanel"
            id={`view-${tab}`}
            aria-labelledby={`tab-${tab}`}
            tabIndex={0}
            sx={{ flex: 1, minHeight: 0, overflowY: { md: 'auto' }, '&:focus-visible': { outlineOffset: -2 } }}
          >
            {children}
          </Box>
        </Box>
      </PlaceFrame>
      <Snackbar
        open={Boolean(message)}
        autoHideDuration={6000}
        onClose={onRead}
        message={message}
        // Where it covers nothing that is pressed next: what goes on is at the left.
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      />
    </>
  );
}
