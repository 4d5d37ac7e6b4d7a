'use client';

import type { SavedRig } from '@/core/rig';
import { useCallback, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { TabbedPlace } from '@/ui/rig/TabbedPlace';
import { useWorker } from '@/ui/rig/useWorker';
import { useRig } from '@/ui/rig/useRig';
import { LateView } from '@/ui/shell/Late';
import { useAhead } from '@/ui/shell/useLate';
import { startPlanWorker } from '@/workers/planWorker';
import { KeepToPanel } from './KeepToPanel';
import { PatchView } from './PatchView';
import { usePlanning } from './usePlanning';
import { planPlace as text } from './texts';

// The tabs beside the first one.
const loadChains = () => import('./ChainsView').then((file) => file.ChainsView);
const loadSupplies = () => import('./SuppliesView').then((file) => file.SuppliesView);
const loadBatteries = () => import('./BatteriesView').then((file) => file.BatteriesView);
const loadTabs = () => Promise.all([loadChains(), loadSupplies(), loadBatteries()]);

const TABS = [
  { value: 'patch', label: text.patch },
  { value: 'chains', label: text.chains },
  { value: 'supplies', label: text.supplies },
  { value: 'batteries', label: text.batteries },
] as const;
type PlanTab = (typeof TABS)[number]['value'];

/** The Plan place: who goes where with what in between, what is missing, which supply, how long the cells last. */
export function PlanPlace({ saved, kit }: { saved: SavedRig; kit: KitItem[] }) {
  const rig = useRig(saved);
  const { document, change } = rig;
  const [tab, setTab] = useState<PlanTab>('patch');
  const [message, setMessage] = useState('');
  const [open, setOpen] = useState(false);
  const planning = usePlanning(saved.id, document, kit);
  const worker = useWorker(startPlanWorker);
  const accept = useCallback(
    (count: number) => {
      if (!planning.result) return;
      change(planning.result);
      setMessage(text.acceptedAsANewRevision(count));
    },
    [planning.result, change],
  );

  useAhead(loadTabs);
  const common = { document, kit, worker, onChange: change };

  return (
    <TabbedPlace
      here="/plan"
      id={saved.id}
      rig={rig}
      tabs={TABS}
      tabsLabel={text.partsOfThePlan}
      tab={tab}
      onTab={setTab}
      panel={<KeepToPanel document={document} onChange={change} />}
      panelLabel={text.rulesForThePlan}
      panelWidth={336}
      open={open}
      onClose={() => setOpen(false)}
      closeLabel={text.backToThePlan}
      message={message}
      onRead={() => setMessage('')}
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
      {tab === 'chains' && <LateView load={loadChains} props={common} />}
      {tab === 'supplies' && <LateView load={loadSupplies} props={common} />}
      {tab === 'batteries' && <LateView load={loadBatteries} props={common} />}
    </TabbedPlace>
  );
}
