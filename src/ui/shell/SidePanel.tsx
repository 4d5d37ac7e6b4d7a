'use client';

import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import { useCallback, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { useBackCloses } from './useBackCloses';

interface Props {
  /** There is room for it beside the sheet. */
  wide: boolean;
  label: string;
  width: number;
  /** Where there is none: whether it is shown, and how it is left. */
  open: boolean;
  onClose: () => void;
  closeLabel: string;
  children: ReactNode;
}

/** What a panel hangs in, wherever that is put; no box of its own. */
function newHanger(): HTMLElement | undefined {
  if (typeof document === 'undefined') return undefined;
  return Object.assign(document.createElement('div'), { style: 'display: contents' });
}

/**
 * The panel beside the sheet, or over it where the screen is narrow. It stays one and the same when a tablet is turned or
 * a window is drawn: what is half typed in it, and a dialog that was opened from it, are still there.
 */
export function SidePanel({ wide, label, width, open, onClose, closeLabel, children }: Props) {
  const [hanger] = useState(newHanger);
  const [holder, setHolder] = useState<HTMLElement | null>(null);
  const hold = useCallback(
    (element: HTMLElement | null) => {
      if (hanger) element?.append(hanger);
      setHolder(element);
    },
    [hanger],
  );
  useBackCloses(open && !wide, onClose);
  const [wasWide, setWasWide] = useState(wide);
  if (wide && !wasWide) setWasWide(true);
  // The drawer does not hear the keys of what it was lent.
  const closedByKey = (event: React.KeyboardEvent) => {
    if (event.key !== 'Escape' || wide || !open || event.defaultPrevented) return;
    // It means the drawer, and nothing behind it.
    event.stopPropagation();
    onClose();
  };
  return (
    <>
      {wide ? (
        <Box
          component="aside"
          ref={hold}
          id="panel"
          tabIndex={-1}
          aria-label={label}
          sx={{
            gridArea: 'panel',
            borderLeft: 1,
            borderColor: 'divider',
            bgcolor: 'background.paper',
            minHeight: 0,
            overflowY: 'auto',
          }}
        />
      ) : (
        <Drawer
          anchor="right"
          open={open}
          onClose={onClose}
          slotProps={{ paper: { sx: { width: `min(100%, ${width + 46}px)` } } }}
        >
          <Box component="aside" ref={hold} aria-label={label} sx={{ height: '100%', minHeight: 0 }}>
            <IconButton
              aria-label={closeLabel}
              onClick={onClose}
              sx={{ position: 'absolute', right: 6, top: 4, zIndex: 1 }}
            >
              <CloseIcon fontSize="small" />
            </IconButton>
          </Box>
        </Drawer>
      )}
      {hanger &&
        (wasWide || open || holder) &&
        createPortal(
          <Box onKeyDown={closedByKey} sx={{ display: 'contents' }}>
            {children}
          </Box>,
          hanger,
        )}
    </>
  );
}
