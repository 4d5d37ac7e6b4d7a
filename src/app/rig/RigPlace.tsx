'use client';

import type { SavedRig } from '@/core/rig';
import Box from '@mui/material/Box';
import Snackbar from '@mui/material/Snackbar';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import type { PartRef } from '@/core/gear';
import { overdrawn, type KitItem } from '@/core/kit';
import type { FirstResult, Floors } from '@/core/noise/heard';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { useSame } from '@/ui/shell/useSame';
import { DeviceTemplates } from './DeviceTemplates';
import { GroupPanel } from './GroupPanel';
import { LinePanel } from './LinePanel';
import { ManyPanel } from './ManyPanel';
import { Overview } from './Overview';
import { RigDialogs } from './RigDialogs';
import { Marked, OutOfDate, RemovedNotice } from './notices';
import { RigMenu, type RigEntry } from './RigMenu';
import { Sheet } from './Sheet';
import { StartView } from './StartView';
import { RigNotice } from '@/ui/rig/RigNotice';
import { TopBar } from './TopBar';
import { TypeLine } from './TypeLine';
import { useRigActions } from './useRigActions';
import { useRig } from '@/ui/rig/useRig';
import { groupKey, useProbe, useRigCheck } from './useRigCheck';
import { resultOf, useRigView } from './useRigView';
import { rigPlace as text } from './texts';

interface Props {
  saved: SavedRig;
  rigs: RigEntry[];
  kit: KitItem[];
  /** Noise floors as they were last measured, by line. */
  floors: Floors;
  /** The verdicts of the rig as it was saved, where they came with the page. */
  first?: FirstResult;
  selected?: string;
  /** A rig that was just removed, to be brought back. */
  removed?: string;
}

/** The Rig place: every line under its switch, and why the selected one has its verdict. */
export function RigPlace({ saved, rigs, kit, floors, first, selected, removed }: Props) {
  const rig = useRig(saved);
  const { document, revision, saving, undo, redo } = rig;
  const view = useRigView(document, selected);
  const lineId = 'line' in view.selection ? view.selection.line : undefined;
  // Where this tab knows a later revision than the page came with, its verdicts are others.
  const own = document === saved.document ? first : undefined;
  const { solution, worker, again } = useRigCheck(document, lineId, kit, floors, own);
  const path = view.paths.get(lineId ?? '');
  const result = useMemo(() => resultOf(solution, lineId), [solution, lineId]);
  const { tipsFor, shownLines } = view;
  // The meter is not asked again for what it shows already.
  const tips = useSame(useMemo(() => tipsFor(result), [tipsFor, result]));
  const actions = useRigActions({ rig, view, tips, rigId: saved.id, kit });
  const reading = useProbe(worker, solution.document, lineId ?? '', tips);
  const { visible, counts } = useMemo(() => shownLines(solution), [shownLines, solution]);
  const counted = useSame(counts);
  const [closed, setClosed] = useState(true);
  const close = useCallback(() => setClosed(true), []);
  const row = useMemo(
    () => ({
      ...actions.row,
      select: (id: string, part?: PartRef) => {
        actions.row.select(id, part);
        setClosed(false);
      },
    }),
    [actions.row],
  );
  const { selectGroup } = view;
  const openGroup = useCallback(
    (id: string, of?: string) => {
      selectGroup(id, of);
      setClosed(false);
    },
    [selectGroup],
  );

  const { selectWhole } = view;
  const openWhole = useCallback(() => {
    selectWhole();
    setClosed(false);
  }, [selectWhole]);
  const over = useMemo(() => overdrawn(document, kit), [document, kit]);
  const ownColumns = Boolean(document.listColumns?.length);
  const menu = useMemo(
    () => (
      <RigMenu
        name={document.name}
        here={saved.id}
        rigs={rigs}
        ownColumns={ownColumns}
        many={actions.many}
        actions={actions.menu}
      />
    ),
    [document.name, saved.id, rigs, ownColumns, actions.many, actions.menu],
  );

  const { addTyped, addTemplate, typeField, openList } = actions;
  const bare = document.lines.length === 0;
  const foot = useMemo(
    () => (
      <>
        {bare && (
          <Box sx={{ p: 1.5 }}>
            <Typography variant="h3" sx={{ mb: 1 }}>
              {text.anotherDevice}
            </Typography>
            <DeviceTemplates onAdd={addTemplate} />
          </Box>
        )}
        <TypeLine
          rig={saved.id}
          document={document}
          kit={kit}
          worker={worker}
          field={typeField}
          onList={openList}
          onAdd={addTyped}
        />
      </>
    ),
    [bare, saved.id, document, kit, worker, typeField, addTyped, addTemplate, openList],
  );
  const { selection } = view;
  const device = 'device' in selection ? document.devices.find(({ id }) => id === selection.device) : undefined;
  const group = 'device' in selection ? device?.groups.find(({ id }) => id === selection.group) : undefined;
  const key = 'device' in selection ? groupKey(selection.device, selection.group ?? '') : '';
  const { marked } = view;
  const panel = marked.length ? (
    <ManyPanel key={marked.join(' ')} document={document} kit={kit} ids={marked} actions={actions.many} />
  ) : device ? (
    <GroupPanel
      device={device}
      group={group}
      result={solution.groups.get(key)}
      options={solution.feeds.get(key)}
      onFeed={actions.setFeed}
      onLine={actions.row.select}
      onDevice={() => actions.openDialog({ dialog: 'device', device: device.id })}
    />
  ) : lineId && !result ? (
    <Typography variant="body2" color="textSecondary" sx={{ p: 2.5 }}>
      {solution.unsolved.get(lineId)
        ? text.noResultForThisLine(solution.unsolved.get(lineId))
        : solution.failed === undefined
          ? text.solving
          : text.notSolved}
    </Typography>
  ) : path && result && tips ? (
    <LinePanel
      rig={saved.id}
      path={path}
      result={result}
      tab={view.tab}
      part={view.part}
      probe={tips}
      reading={reading}
      trying={solution.full?.result.id !== lineId && solution.failed === undefined}
      onTab={view.setTab}
      onPart={view.setPart}
      onProbe={view.setTips}
      onEdit={actions.edit}
      onAnswer={actions.answer}
      onNote={actions.note}
      onDuplicate={actions.duplicate}
      onMove={actions.openMove}
      onRemove={actions.remove}
    />
  ) : (
    <Overview
      sections={view.sections}
      solution={solution}
      over={over}
      onLine={actions.row.select}
      onGroup={openGroup}
    />
  );

  return (
    <>
      <PlaceFrame
        here="/rig"
        rig={saved.id}
        bar={
          <TopBar
            menu={menu}
            revision={revision}
            saving={saving}
            counts={counted}
            shown={view.shown}
            onShow={view.toggleShown}
            search={view.search}
            searchRef={view.searchRef}
            onSearch={view.setSearch}
            undo={undo}
            redo={redo}
            onWhole={openWhole}
            onSchools={actions.openSchools}
          />
        }
        notice={
          <>
            <RigNotice rig={rig} />
            {marked.length > 0 && (
              <Marked count={marked.length} onChange={() => setClosed(false)} onClear={actions.many.clear} />
            )}
            {solution.failed !== undefined && document.lines.length > 0 && (
              <OutOfDate why={solution.failed} any={solution.lines.size > 0} onAgain={again} />
            )}
          </>
        }
        panel={panel}
        panelLabel={text.why}
        panelWidth={344}
        open={!closed}
        onClose={close}
        closeLabel={text.backToTheSheet}
      >
        {document.lines.length || document.devices.length ? (
          <Sheet
            sections={view.sections}
            visible={visible}
            filtered={view.shown.size > 0 || view.search.trim() !== ''}
            solution={solution}
            selection={selection}
            marked={marked}
            picking={view.picking}
            onDrop={actions.onDrop}
            tips={tips}
            actions={row}
            onGroup={openGroup}
            onFeed={actions.setFeed}
            onMove={actions.move}
            onReorder={actions.reorder}
            onNewLine={actions.menu.newLine}
            foot={foot}
          />
        ) : (
          <StartView
            rigs={rigs}
            onRig={actions.addRigTemplate}
            onDevice={actions.addTemplate}
            onOwnDevice={actions.menu.newDevice}
            onList={actions.menu.importFile}
            onDrop={actions.onDrop}
          />
        )}
      </PlaceFrame>
      <RigDialogs rigId={saved.id} document={document} kit={kit} path={path} actions={actions} />
      {removed && <RemovedNotice rig={removed} />}
      <Snackbar
        open={Boolean(actions.message)}
        autoHideDuration={6000}
        onClose={actions.clearMessage}
        message={actions.message}
      />
    </>
  );
}
