'use client';

import Box from '@mui/material/Box';
import Snackbar from '@mui/material/Snackbar';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useCallback, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { KitItem } from '@/core/kit';
import { StaleNotice } from '@/ui/rig/StaleNotice';
import { savingText } from '@/ui/rig/savingText';
import { useDesk } from '@/ui/rig/useDesk';
import { useRig, type SavedRig } from '@/ui/rig/useRig';
import { BarHeading, UndoRedo } from '@/ui/shell/barParts';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { SchemeButton } from '@/ui/shell/SchemeButton';
import { startPlanDesk } from '@/workers/planWorker';
import { BatteriesView } from './BatteriesView';
import { ChainsView } from './ChainsView';
import { KeepToPanel } from './KeepToPanel';
import { PatchView } from './PatchView';
import { SuppliesView } from './SuppliesView';
import { usePlanning } from './usePlanning';

const TABS = [
  { value: 'patch', label: 'Patch' },
  { value: 'chains', label: 'Chains' },
  { value: 'supplies', label: 'Supplies' },
  { value: 'batteries', label: 'Batteries' },
] as const;
type PlanTab = (typeof TABS)[number]['value'];

/** The Plan place: who goes where with what in between, what is missing, which supply, how long the cells last. */
export function PlanPlace({ saved, kit }: { saved: SavedRig; kit: KitItem[] }) {
  const rig = useRig(saved);
  const { document, revision, saving, base, both, undo, redo, settle, change } = rig;
  const [tab, setTab] = useState<PlanTab>('patch');
  const [message, setMessage] = useState('');
  const [open, setOpen] = useState(false);
  const planning = usePlanning(saved.id, document, kit);
  const desk = useDesk(startPlanDesk);
  const accept = useCallback(
    (count: number) => {
      if (!planning.result) return;
      change(planning.result);
      setMessage(`Accepted: ${count} ${count === 1 ? 'change' : 'changes'}, as a new revision. Undo takes them back.`);
    },
    [planning.result, change],
  );

  useHotkeys('mod+z', () => undo?.(), { preventDefault: true }, [undo]);
  useHotkeys('mod+shift+z, mod+y', () => redo?.(), { preventDefault: true }, [redo]);

  const disputed = saving.state === 'stale' || saving.state === 'newer' ? saving : undefined;
  return (
    <>
      <PlaceFrame
        here="/plan"
        rig={saved.id}
        bar={
          <>
            <BarHeading rig={document.name} />
            <Typography
              variant="caption"
              role="status"
              suppressHydrationWarning
              color={saving.state === 'failed' ? 'error' : 'textSecondary'}
            >
              {savingText(saving, revision)}
            </Typography>
            <Box sx={{ ml: { md: 'auto' }, display: 'flex', alignItems: 'center' }}>
              <UndoRedo undo={undo} redo={redo} />
              <SchemeButton />
            </Box>
          </>
        }
        notice={disputed && <StaleNotice saving={disputed} base={base} mine={document} both={both} onSettle={settle} />}
        panel={<KeepToPanel document={document} onChange={change} />}
        panelLabel="What a plan keeps to"
        panelWidth={336}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel="Back to the plan"
      >
        <Box
          component="main"
          sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, display: 'flex', flexDirection: 'column' }}
        >
          <Box sx={{ borderBottom: 1, borderColor: 'divider', px: 1, bgcolor: 'background.paper' }}>
            <Tabs
              value={tab}
              onChange={(_, to: PlanTab) => setTab(to)}
              aria-label="Parts of the plan"
              variant="scrollable"
              scrollButtons={false}
              sx={{ minHeight: 38, '& .MuiTab-root': { minHeight: 38, py: 0.5 } }}
            >
              {TABS.map(({ value, label }) => (
                <Tab key={value} value={value} label={label} id={`tab-${value}`} aria-controls={`view-${value}`} />
              ))}
            </Tabs>
          </Box>
          <Box
            role="tabpanel"
            id={`view-${tab}`}
            aria-labelledby={`tab-${tab}`}
            tabIndex={0}
            sx={{ flex: 1, minHeight: 0, overflowY: { md: 'auto' }, '&:focus-visible': { outlineOffset: -2 } }}
          >
            {tab === 'patch' && (
              <PatchView
                document={document}
                planning={planning}
                onAccept={accept}
                onWishes={() => setOpen(true)}
                onChange={change}
              />
            )}
            {tab === 'chains' && <ChainsView document={document} kit={kit} desk={desk} onChange={change} />}
            {tab === 'supplies' && <SuppliesView document={document} kit={kit} desk={desk} onChange={change} />}
            {tab === 'batteries' && <BatteriesView document={document} desk={desk} onChange={change} />}
          </Box>
        </Box>
      </PlaceFrame>
      <Snackbar open={Boolean(message)} autoHideDuration={6000} onClose={() => setMessage('')} message={message} />
    </>
  );
}
