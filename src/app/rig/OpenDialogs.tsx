'use client';

import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { partAt } from '@/core/gear';
import { usesOf, type KitItem } from '@/core/kit';
import {
  DEVICE_TEMPLATES,
  freeId,
  freeName,
  fromTemplate,
  schoolsOf,
  type RigDocument,
  type RigPath,
} from '@/core/rig';
import { AnswerDialog } from '@/ui/parts/AnswerDialog';
import { InsertMenu, MoveMenu } from './ChooseMenus';
import { DeviceDialog } from '@/ui/devices/DeviceDialog';
import { FormDialog } from '@/ui/shell/FormDialog';
import { Late } from '@/ui/shell/Late';
import { HistoryDialog } from './HistoryDialog';
import { MonitorsDialog } from './MonitorsDialog';
import { NewLineDialog } from './NewLineDialog';
import { RemovedDialog } from './RemovedDialog';
import { SchoolsDialog } from './SchoolsDialog';
import type { RigActions } from './useRigActions';
import { rigDialogs as text } from './texts';

/** Readers of spreadsheets come with it, when it is opened. */
const loadImport = () => import('./ImportDialog').then((file) => file.ImportDialog);

export interface RigDialogsProps {
  rigId: string;
  document: RigDocument;
  kit: readonly KitItem[];
  path?: RigPath;
  actions: RigActions;
}

/** Whatever is open over the sheet. */
export function OpenDialogs({ rigId, document, kit, path, actions }: RigDialogsProps) {
  const { open, closeDialog } = actions;
  // What is just being closed is still to be seen; what was never opened is not drawn at each press on the sheet.
  const [last, setLast] = useState(open?.dialog);
  if (open && open.dialog !== last) setLast(open.dialog);
  const schools = useMemo(() => schoolsOf(document), [document]);
  const device = open?.dialog === 'device' ? document.devices.find(({ id }) => id === open.device) : undefined;
  const item = open?.dialog === 'answer' && path ? itemOf(open.answer, path) : undefined;
  const uses = item ? usesOf(document, item) : [];
  return (
    <>
      {last === 'schools' && (
        <SchoolsDialog
          open={open?.dialog === 'schools'}
          schools={schools}
          onClose={closeDialog}
          onChange={actions.setSchool}
        />
      )}
      {open?.dialog === 'new line' && (
        <NewLineDialog
          document={document}
          kit={kit}
          onClose={closeDialog}
          onAdd={(next, id) => {
            actions.addLine(next, id);
            closeDialog();
          }}
        />
      )}
      {open?.dialog === 'import' && (
        <Late
          load={loadImport}
          props={{
            rig: rigId,
            document,
            kit,
            dropped: open.dropped,
            onClose: closeDialog,
            onReplace: actions.replace,
            onAddRig: actions.addRig,
          }}
        />
      )}
      {open?.dialog === 'history' && (
        <HistoryDialog
          rig={rigId}
          present={document}
          onClose={closeDialog}
          onRestore={(next) => {
            actions.replace(next);
            closeDialog();
          }}
        />
      )}
      {open?.dialog === 'removed' && <RemovedDialog onClose={closeDialog} />}
      {open?.dialog === 'rename' && (
        <NameDialog
          document={document}
          onClose={closeDialog}
          onSave={(name, note) => {
            actions.rename(name, note);
            closeDialog();
          }}
        />
      )}
      {open?.dialog === 'monitors' && (
        <MonitorsDialog
          document={document}
          onClose={closeDialog}
          onSave={(monitors) => {
            actions.setMonitors(monitors);
            closeDialog();
          }}
        />
      )}
      {open?.dialog === 'new device' && (
        <DeviceDialog
          fresh
          device={actions.freshDevice()}
          models={[...deviceModels(document, kit), ...templateModels(document)]}
          onClose={closeDialog}
          onSave={async (made) => {
            const refused = await actions.saveDevice(made);
            if (!refused.length) closeDialog();
            return refused;
          }}
        />
      )}
      {device && (
        <DeviceDialog
          device={device}
          onClose={closeDialog}
          onSave={async (made) => {
            const refused = await actions.saveDevice(made);
            if (!refused.length) closeDialog();
            return refused;
          }}
          onKeep={
            device.item
              ? undefined
              : async (made) => {
                  const refused = await actions.keepDevice(made);
                  if (!refused.length) closeDialog();
                  return refused;
                }
          }
          onRemove={() => {
            actions.removeDevice(device.id);
            closeDialog();
          }}
        />
      )}
      {open?.dialog === 'answer' && (
        <AnswerDialog
          title={open.answer.label}
          everywhere={item ? text.recordedInYourKit(uses.join(', ')) : undefined}
          onClose={closeDialog}
          onRecord={(fact) => {
            void actions.record(open.answer, fact);
            closeDialog();
          }}
        />
      )}
      {last === 'move' && (
        <MoveMenu
          anchor={open?.dialog === 'move' ? open.button : undefined}
          open={open?.dialog === 'move'}
          document={document}
          onClose={closeDialog}
          onMove={(to) => {
            if (path) actions.move(path.line.id, to);
            closeDialog();
          }}
        />
      )}
      {last === 'insert' && (
        <InsertMenu
          anchor={open?.dialog === 'insert' ? open.button : undefined}
          open={open?.dialog === 'insert'}
          kit={kit}
          onClose={closeDialog}
          onInsert={(part) => {
            if (open?.dialog === 'insert') actions.insertPart(open.line, open.at, part);
            closeDialog();
          }}
        />
      )}
    </>
  );
}

/** The devices of the kit, as they would be on this rig. */
const deviceModels = (document: RigDocument, kit: readonly KitItem[]) =>
  kit.flatMap((item) =>
    item.role === 'device'
      ? [
          {
            name: item.name,
            device: {
              ...structuredClone(item.device),
              id: freeId(document.devices, item.id),
              name: freeName(document.devices, item.name),
              item: item.id,
            },
          },
        ]
      : [],
  );

/** Devices as most of their sort are. */
const templateModels = (document: RigDocument) =>
  DEVICE_TEMPLATES.map((template) => ({
    name: `${template.name}: ${template.what}`,
    device: fromTemplate(document, template),
  }));

/** The kit's item that an answer speaks of. */
function itemOf(answer: Extract<NonNullable<RigActions['open']>, { dialog: 'answer' }>['answer'], { line }: RigPath) {
  const edit = answer.edits.find((each) => each.do === 'choose' || each.do === 'set figure');
  return edit && (edit.do === 'choose' || edit.do === 'set figure') ? partAt(line, edit.part).item : undefined;
}

function NameDialog({
  document,
  onClose,
  onSave,
}: {
  document: RigDocument;
  onClose: () => void;
  onSave: (name: string, note: string) => void;
}) {
  const [name, setName] = useState(document.name);
  const [note, setNote] = useState(document.note ?? '');
  const bad = name.trim() === '';
  return (
    <FormDialog
      title={text.nameAndNote}
      submit={text.save}
      blocked={bad}
      onSubmit={() => onSave(name.trim(), note.trim())}
      onClose={onClose}
    >
      <Stack spacing={2} sx={{ pt: 0.5 }}>
        <TextField
          label={text.nameOfTheRig}
          autoFocus
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={bad}
          helperText={bad ? text.giveItAName : undefined}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <TextField
          label={text.note}
          multiline
          minRows={3}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 2000 } }}
        />
      </Stack>
    </FormDialog>
  );
}
