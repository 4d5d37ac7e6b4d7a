'use client';

import type { SavedRig } from '@/core/rig';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { registerRows, type OwnPriors, type Repair } from '@/core/testing';
import type { Failure, SavedCableTest, SavedInletSheet } from '@/store/testing';
import { TabbedPlace } from '@/ui/rig/TabbedPlace';
import { useRig } from '@/ui/rig/useRig';
import { useWorker } from '@/ui/rig/useWorker';
import { useStored } from '@/ui/shell/useStored';
import { startTestWorker } from '@/workers/testWorker';
import { atHandWithout } from './AtHand';
import { CablePanel } from './CablePanel';
import { CableView, draftFor, useCableDraft } from './CableView';
import { FaultView } from './FaultView';
import { InletsPanel } from './InletsPanel';
import { InletsView } from './InletsView';
import { LeftPanel } from './LeftPanel';
import { LineColumn } from './LineColumn';
import { actOf, questionOf } from './shown';
import { MeterView } from './MeterView';
import { RegisterPanel } from './RegisterPanel';
import { RegisterView } from './RegisterView';
import { SparesField } from './SparesField';
import { ToolsView } from './ToolsView';
import { useFault } from './useFault';
import { testPlace as text } from './texts';

const TABS = [
  { value: 'fault', label: text.noSound },
  { value: 'cable', label: text.testACable },
  { value: 'register', label: text.register },
  { value: 'inlets', label: text.inlets },
  { value: 'meter', label: text.fromTheMeter },
  { value: 'tools', label: text.makeTheTools },
] as const;
type TestTab = (typeof TABS)[number]['value'];

/** What stands beside each part, and what opens it where the screen is narrow. */
const CABLES = { label: text.testedCables, button: text.testedCables };
const PANELS: Record<TestTab, { label: string; button: string }> = {
  fault: { label: text.whatItCanStillBe, button: text.whatItCanBe },
  cable: CABLES,
  register: { label: text.thisCable, button: text.thisCable },
  inlets: { label: text.inletSheets, button: text.sheets },
  meter: CABLES,
  tools: CABLES,
};

interface Props {
  saved: SavedRig;
  repairs: Repair[];
  priors: OwnPriors;
  tests: SavedCableTest[];
  sheets: SavedInletSheet[];
  failures: Failure[];
  kit: KitItem[];
  /** The line that something is wrong with, and what is heard of it. */
  line?: string;
  heard?: string;
  /** A cable of the register that is opened, by what its label says. */
  cable?: string;
  /** As 2026-05-01. */
  today: string;
}

/** The Test place: what is wrong with a line, and whether a cable is good. */
export function TestPlace({
  saved,
  repairs: known,
  priors: said,
  tests: kept,
  sheets: keptSheets,
  failures,
  kit: owned,
  line: wanted,
  heard,
  cable,
  today,
}: Props) {
  const rig = useRig(saved);
  const { document, change } = rig;
  const [tab, setTab] = useState<TestTab>(cable === undefined ? 'fault' : 'register');
  const [chosen, setChosen] = useState(wanted ?? document.lines[0]?.id ?? '');
  const [message, setMessage] = useState('');
  const [open, setOpen] = useState(cable !== undefined);
  const [kit, setKit] = useState(owned);
  const [sheets, setSheets] = useState(keptSheets);
  const [own, setOwn] = useState(cable);
  const [tests, setTests] = useState(kept);
  const [repairs, setRepairs] = useState(known);
  const [priors, setPriors] = useState(said);
  const experience = useMemo(() => ({ repairs, priors }), [repairs, priors]);
  const [who] = useStored('inlet-check-who', '');
  const [missingText, setMissingText] = useStored('inlet-check-tools-missing', '');
  const missing = useMemo(() => missingText.split(',').filter(Boolean), [missingText]);
  const only = useMemo(() => atHandWithout(missing), [missing]);
  const worker = useWorker(startTestWorker);
  const line = document.lines.find(({ id }) => id === chosen) ?? document.lines[0];
  const state = useFault(worker, {
    rig: saved.id,
    document,
    line: line?.id ?? '',
    heard: line?.id === wanted ? heard : undefined,
    experience,
    only,
  });
  const rows = useMemo(
    () => (tab === 'register' ? registerRows(kit, tests, repairs, today) : []),
    [tab, kit, tests, repairs, today],
  );
  const [, begin] = useCableDraft();
  const shownQuestion =
    state.found && !actOf(state.found, state.fault) ? questionOf(state.found, state.fault) : undefined;
  return (
    <TabbedPlace
      here="/test"
      id={saved.id}
      rig={rig}
      tabs={TABS}
      tabsLabel={text.partsOfTheTestPlace}
      tab={tab}
      onTab={setTab}
      beside={
        <Button
          onClick={() => setOpen(true)}
          sx={{ display: { lg: 'none' }, ml: 'auto', flex: 'none', whiteSpace: 'nowrap' }}
        >
          {PANELS[tab].button}
        </Button>
      }
      panel={
        tab === 'fault' ? (
          <LeftPanel
            found={state.fault.solved || !line ? undefined : state.found}
            question={shownQuestion}
            idle={!line || state.fault.solved !== undefined}
            onAct={({ id }) => {
              state.setFault({ ...state.fault, acting: id });
              setOpen(false);
            }}
          />
        ) : tab === 'inlets' ? (
          <InletsPanel rig={saved.id} sheets={sheets} onSheets={setSheets} onTold={setMessage} />
        ) : tab === 'register' ? (
          <RegisterPanel
            rig={saved.id}
            row={rows.find(({ item }) => item.id === own)}
            failures={failures.filter(({ item }) => item === own)}
            today={today}
            onKit={setKit}
            onTest={(item) => {
              begin(draftFor(item));
              setOpen(false);
              setTab('cable');
            }}
            onTold={setMessage}
          />
        ) : (
          <>
            <CablePanel tests={tests} onTests={setTests} onTold={setMessage} />
            <SparesField counted={repairs.filter((each) => each.class === 'cable').length} />
          </>
        )
      }
      panelLabel={PANELS[tab].label}
      panelWidth={400}
      open={open}
      onClose={() => setOpen(false)}
      closeLabel={text.backToTheQuestion}
      message={message}
      onRead={() => setMessage('')}
    >
      {tab === 'meter' ? (
        <MeterView rig={saved.id} document={document} onChange={change} onTold={setMessage} />
      ) : tab === 'inlets' ? (
        <InletsView
          rig={saved.id}
          document={document}
          who={who}
          onKept={(sheet) => {
            setSheets((from) => [sheet, ...from]);
            setMessage(text.keptTheInlets(sheet.name));
          }}
          onChange={change}
          onTold={setMessage}
        />
      ) : tab === 'register' ? (
        <RegisterView
          rows={rows}
          kit={kit}
          document={document}
          repairs={repairs}
          rig={saved.id}
          chosen={own}
          onChoose={(id) => {
            setOwn(id);
            setOpen(true);
          }}
          onKit={setKit}
          onTold={setMessage}
        />
      ) : tab === 'tools' ? (
        <ToolsView />
      ) : tab === 'cable' ? (
        <CableView
          worker={worker}
          kit={kit}
          experience={experience}
          only={only}
          missing={missing}
          onMissing={(to) => setMissingText(to.join(','))}
          who={who}
          onKept={(test) => {
            setTests((from) => [test, ...from]);
            setMessage(text.kept(test.label));
          }}
        />
      ) : line ? (
        <Box
          sx={{
            height: { md: '100%' },
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '176px minmax(0, 1fr)' },
            gridTemplateRows: { xs: 'auto 1fr', md: 'minmax(0, 1fr)' },
          }}
        >
          <LineColumn lines={document.lines} chosen={line.id} onChoose={setChosen} />
          <Box sx={{ minWidth: 0, overflowY: { md: 'auto' }, px: { xs: 2, md: 3 }, pb: 4 }}>
            <FaultView
              key={line.id}
              rig={saved.id}
              document={document}
              line={line}
              state={state}
              who={who}
              missing={missing}
              onMissing={(to) => setMissingText(to.join(','))}
              onChange={change}
              onTold={setMessage}
              onLearned={setRepairs}
              experience={experience}
              onPriors={setPriors}
            />
          </Box>
        </Box>
      ) : (
        <Typography sx={{ p: 2 }}>{text.noLinesYetAddOne}</Typography>
      )}
    </TabbedPlace>
  );
}
