'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Answer as PossibleAnswer } from '@/core/check';
import { bestFreeInlet } from '@/core/rigcheck';
import type { SchoolName } from '@/core/schools';
import { saysDeviceGround, type Fact, type Part } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import {
  applyToRig,
  duplicateLine,
  fromTemplate,
  moveLine,
  removeLine,
  reorderLine,
  setFeed,
  type DeviceTemplate,
  type InletRef,
  type MonitorGroup,
  type RigDocument,
} from '@/core/rig';
import { withRigTemplate, type RigTemplate } from '@/core/typed';
import type { Edit } from '@/core/gear/edits';
import type { FeedName } from '@/core/standards/feeds';
import { ask } from '@/ui/shell/ask';
import { fitting } from './ChooseMenus';
import { deviceActions } from './deviceActions';
import { recordAnswer } from './recordAnswer';
import { moreThanOwned } from './overdrawnWords';
import type { useRig } from '@/ui/rig/useRig';
import { pastedKey, typedKey } from './pasted';
import { isList } from './TypeLine';
import { useMany } from './useMany';
import type { OpenDialog } from './openDialog';
import { useRigKeys } from './useRigKeys';
import { useRigMenu } from './useRigMenu';
import type { RigView } from './useRigView';
import type { Probe } from './useRigCheck';
import { useDraft } from '@/ui/shell/useDraft';
import { useRigActions as texts } from './texts';

interface Given {
  rig: ReturnType<typeof useRig>;
  view: RigView;
  tips?: Probe;
  rigId: string;
  kit: readonly KitItem[];
}

/** The keyboard goes with the selection. */
const focusLine = (id: string): void =>
  window.document
    .querySelector<HTMLElement>(`[data-line="${CSS.escape(id)}"] [data-name]`)
    ?.focus({ preventScroll: true });

/** Everything that can be done with a rig on its place; all of it can be undone. */
export function useRigActions({ rig, view, tips, rigId, kit }: Given) {
  const { document, change, undo, redo } = rig;
  const { selection, selectLine, selectGroup, paths, sections, setTips, setPicking } = view;
  const router = useRouter();
  const [open, openDialog] = useState<OpenDialog>();
  const [message, setMessage] = useState('');
  const line = 'line' in selection ? selection.line : undefined;
  const path = paths.get(line ?? '');

  // Rows are drawn again only if what they are given changes: their actions stay the same and look here.
  const now = useRef({ document, line, path, tips });
  useEffect(() => {
    now.current = { document, line, path, tips };
  });

  const edit = useCallback(
    (edits: Edit[]) => {
      const id = now.current.line;
      if (id) change((from) => applyToRig(from, id, edits));
    },
    [change],
  );
  const row = useMemo(
    () => ({
      select: selectLine,
      mark: view.mark,
      insert: (id: string, at: number, button: HTMLElement) => openDialog({ dialog: 'insert', line: id, at, button }),
      probe: (tip: Probe['red']) => setTips({ red: tip, black: now.current.tips?.red ?? tip }),
    }),
    [selectLine, setTips, view.mark],
  );

  const show = useCallback(
    (next: RigDocument, id: string) => {
      change(next);
      selectLine(id);
    },
    [change, selectLine],
  );
  const typeField = useRef<HTMLInputElement>(null);
  const addTyped = useCallback(
    (next: RigDocument, ids: string[]) => {
      change(next);
      if (ids.length) selectLine(ids[ids.length - 1]);
      const more = moreThanOwned(now.current.document, next, kit);
      setMessage(texts.linesAdded(ids.length, more));
    },
    [change, selectLine, kit],
  );
  const addTemplate = useCallback(
    (template: DeviceTemplate) =>
      change((from) => ({ ...from, devices: [...from.devices, fromTemplate(from, template)] })),
    [change],
  );
  const addRigTemplate = useCallback(
    (template: RigTemplate) => {
      change((from) => withRigTemplate(from, template));
      setMessage(texts.deviceAdded(template.name));
    },
    [change],
  );
  const duplicate = useCallback(() => {
    const { document: before, path: own } = now.current;
    if (!own) return;
    const to = bestFreeInlet(before, own.line.id);
    if (!to) return setMessage(texts.noInletIsFreeAdd);
    const next = duplicateLine(before, own.line.id, to);
    const made = next.lines.find(({ id }) => !before.lines.some((other) => other.id === id));
    if (made) show(next, made.id);
    const more = moreThanOwned(before, next, kit);
    if (more) setMessage(more);
  }, [show, kit]);
  const { selectWhole } = view;
  const remove = useCallback(() => {
    const { document: before, path: own } = now.current;
    if (!own) return;
    change(removeLine(before, own.line.id));
    // Nothing is selected then: pressed twice, it takes nothing else away.
    selectWhole();
    setMessage(texts.wasRemovedUndoBrings(own.line.name));
  }, [change, selectWhole]);
  const reorder = useCallback(
    (id: string, over: string) =>
      change((from) => {
        const order = from.lines.map((each) => each.id);
        const down = order.indexOf(id) < order.indexOf(over);
        return reorderLine(from, id, down ? order[order.indexOf(over) + 1] : over);
      }),
    [change],
  );
  const shift = (by: 1 | -1) => {
    const own = sections.find(({ lines }) => lines.some(({ line: each }) => each.id === line));
    const order = own?.lines.map(({ line: each }) => each.id) ?? [];
    const over = order[order.indexOf(line ?? '') + by];
    if (line && over) reorder(line, over);
  };
  const step = (by: 1 | -1) => {
    const order = sections.flatMap(({ lines }) => lines.map(({ line: each }) => each.id));
    const to = line ? order[order.indexOf(line) + by] : order[0];
    if (!to) return;
    selectLine(to);
    focusLine(to);
  };
  /** The next line, with the one that is left marked: from the keyboard a range grows a line at a time. */
  const stepMarking = (by: 1 | -1) => {
    const from = line ?? view.order[0];
    const to = view.order[view.order.indexOf(from) + by];
    if (!from || !to) return;
    view.markOnly([...view.marked, from, to]);
    selectLine(to);
    focusLine(to);
  };
  const [, setTyped] = useDraft(typedKey(rigId), '');
  const [, setList] = useDraft(pastedKey(rigId), '');
  const openList = useCallback(
    (text: string) => {
      setList(text);
      openDialog({ dialog: 'import' });
    },
    [setList],
  );
  const many = useMany({
    document,
    change,
    kit,
    ids: view.marked.length ? view.marked : line ? [line] : [],
    clear: view.clearMarks,
    mark: view.markOnly,
    say: setMessage,
    onText: (text) => {
      if (isList(text)) return openList(text);
      setTyped(text.trim());
      typeField.current?.focus();
    },
  });
  const onDrop = useCallback(
    (file: File) => {
      void import('./imported')
        .then(({ importedFile }) => importedFile(file, now.current.document, kit))
        .then((dropped) => openDialog({ dialog: 'import', dropped }));
    },
    [kit],
  );
  const severally = view.marked.length > 0;
  const move = useCallback((id: string, to: InletRef) => change((from) => moveLine(from, id, to)), [change]);
  const turn = useCallback(
    (device: string, group: string, feed: FeedName) => change((from) => setFeed(from, device, group, feed)),
    [change],
  );

  const devices = deviceActions({ document, kit, change, say: setMessage, refresh: () => router.refresh() });

  const record = async ({ edits }: PossibleAnswer, fact: Fact) => {
    if (!path) return;
    const failed = await recordAnswer({ rigId, asked: path.line, change }, edits, fact);
    if (failed) setMessage(failed);
  };

  const addRig = useCallback(
    async (next: RigDocument): Promise<string | undefined> => {
      const { body, failed } = await ask<{ id: string }>('/api/rigs', { method: 'POST', json: next });
      if (body) {
        openDialog(undefined);
        router.push(`/rig?rig=${body.id}`);
      } else setMessage(failed ?? '');
      return failed;
    },
    [router],
  );
  const menu = useRigMenu({ rigId, now, openDialog, setPicking, addRig, say: setMessage });

  useRigKeys({
    undo,
    redo,
    newLine: menu.newLine,
    history: menu.history,
    importFile: menu.importFile,
    back: () => (severally ? view.clearMarks() : view.selectWhole()),
    mark: () => line && view.mark(line, false),
    stepMarking,
    step,
    shift,
    duplicate: severally ? many.duplicate : duplicate,
    remove: severally ? many.remove : remove,
    move: (button) => openDialog({ dialog: 'move', button }),
    type: () => typeField.current?.focus(),
    find: () => view.searchRef.current?.focus(),
  });

  return {
    open,
    openDialog,
    closeDialog: () => openDialog(undefined),
    message,
    clearMessage: () => setMessage(''),
    row,
    menu,
    typeField,
    many,
    openList,
    onDrop,
    addTyped,
    addTemplate,
    addRigTemplate,
    edit,
    duplicate,
    remove,
    move,
    reorder,
    record,
    addRig,
    ...devices,
    selectGroup,
    openSchools: useCallback(() => openDialog({ dialog: 'schools' }), []),
    openMove: useCallback((button: HTMLElement) => openDialog({ dialog: 'move', button }), []),
    answer: useCallback(
      (answer: PossibleAnswer) => {
        // How a device's ground stands is looked up on the spot: it is no statement of a maker.
        const seen = answer.edits.every((each) => each.do === 'choose' && saysDeviceGround(each));
        if (seen) edit(answer.edits);
        else openDialog({ dialog: 'answer', answer });
      },
      [edit],
    ),
    note: useCallback(
      (note: string) =>
        change((from) => ({
          ...from,
          lines: from.lines.map((each) => (each.id === now.current.line ? { ...each, note } : each)),
        })),
      [change],
    ),
    setFeed: turn,
    setSchool: (name: SchoolName, value: string) =>
      change((from) => ({ ...from, schools: { ...from.schools, [name]: value } })),
    setMonitors: (monitors: MonitorGroup[]) =>
      change(({ monitors: _before, ...from }) => (monitors.length ? { ...from, monitors } : from)),
    insertPart: (id: string, at: number, part: Part) => {
      const target = paths.get(id);
      if (!target) return;
      change((from) => applyToRig(from, id, [{ do: 'insert', at, part: fitting(target.line, at, part) }]));
      selectLine(id, at);
    },
    replace: (next: RigDocument) => change(next),
    addLine: show,
    rename: (name: string, note: string) =>
      change((from) => ({ ...from, name, ...(note || from.note ? { note } : {}) })),
  };
}

export type RigActions = ReturnType<typeof useRigActions>;
