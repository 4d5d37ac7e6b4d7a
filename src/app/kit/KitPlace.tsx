'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useRef, useState } from 'react';
import { kitDocument, type Answer, type KitItem } from '@/core/kit';
import { kitCsv } from '@/core/tables';
import { ask } from '@/ui/shell/ask';
import { saveFile } from '@/ui/shell/files';
import { BarHeading, BarMore, SearchField, UndoRedo } from '@/ui/shell/barParts';
import { Late, LateView } from '@/ui/shell/Late';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { KitTable, ROLES } from './KitTable';
import { ClashNotice } from './ClashNotice';
import { useKit, type SavedItem } from './useKit';
import { useAhead } from '@/ui/shell/useLate';
import { useShortcut } from '@/ui/shell/useShortcut';
import type { Use } from './uses';
import { kitPlace as text } from './texts';

const loadPanel = () => import('./ItemPanel').then((file) => file.ItemPanel);
const loadAdd = () => import('./AddItemDialog').then((file) => file.AddItemDialog);
const loadEditing = () => Promise.all([loadPanel(), loadAdd()]);
/** The readers of files come with it, when it is opened. */
const loadImport = () => import('./KitImportDialog').then((file) => file.KitImportDialog);

interface Props {
  items: KitItem[];
  /** The number of every item's last save. */
  revisions: Record<string, number>;
  uses: Record<string, Use[]>;
  rig: string;
  rigName: string;
}

/** The Kit place: what somebody owns, with its figures and where those come from. */
export function KitPlace({ items: saved, revisions, uses, rig, rigName }: Props) {
  const [message, setMessage] = useState('');
  const onMerged = useCallback((name: string) => setMessage(text.wasChangedInAnotherTab(name)), []);
  const { items, saving, clashes, settle, change, adopt, undo, redo } = useKit(saved, revisions, onMerged);
  const [role, setRole] = useState<KitItem['role'] | 'all'>('all');
  const [search, setSearch] = useState('');
  const [chosen, setChosen] = useState<string>();
  const [dialog, setDialog] = useState<'add' | 'import'>();
  const searchRef = useRef<HTMLInputElement>(null);
  useAhead(loadEditing);
  const item = items.find(({ id }) => id === chosen);
  const shown = useMemo(() => items.filter((each) => role === 'all' || each.role === role), [items, role]);

  const put = (next: KitItem) => change((from) => from.map((each) => (each.id === next.id ? next : each)));
  const add = (made: KitItem[]) => {
    change((from) => [...from, ...made]);
    setChosen(made[0].id);
    setDialog(undefined);
  };
  const remove = (gone: KitItem) => {
    change((from) => from.filter(({ id }) => id !== gone.id));
    setChosen(undefined);
    setMessage(text.wasRemovedUndoBrings(gone.name));
  };
  const record = async (about: KitItem, answer: Answer) => {
    const { body, failed } = await ask<SavedItem & { places: number; rigs: number }>(`/api/kit/${about.id}/answers`, {
      method: 'POST',
      json: { answer },
    });
    if (failed) return setMessage(failed);
    adopt(body!);
    setMessage(body!.places ? text.recordedAndUpdated(body!.places, body!.rigs) : text.recordedNoRigUses);
  };

  useShortcut('mod+z', () => undo?.(), { instead: true }, [undo]);
  useShortcut('mod+shift+z, mod+y', () => redo?.(), { instead: true }, [redo]);
  useShortcut('n', () => setDialog('add'), { instead: true });
  useShortcut('slash', () => searchRef.current?.focus(), { instead: true });

  const panel = item ? (
    <LateView
      key={item.id}
      load={loadPanel}
      props={{
        item,
        uses: uses[item.id] ?? [],
        onChange: put,
        onRemove: () => remove(item),
        onAnswer: (answer) => void record(item, answer),
      }}
    />
  ) : (
    <Typography variant="body2" color="textSecondary" sx={{ p: 2.5 }}>
      {text.pickAnItemToSee}
    </Typography>
  );
  return (
    <>
      <PlaceFrame
        here="/kit"
        rig={rig}
        bar={
          <>
            <BarHeading rig={rigName} />
            <Typography
              variant="caption"
              noWrap
              role="status"
              color={saving.state === 'failed' || clashes.length ? 'error' : 'textSecondary'}
            >
              {saving.state === 'failed'
                ? text.notSaved(saving.message)
                : saving.state === 'saving'
                  ? text.saving
                  : clashes.length
                    ? text.notAllSavedChooseBelow
                    : text.kitSavedItems(items.length)}
            </Typography>
            <BarMore>
              <SearchField label={text.findInTheKit} value={search} inputRef={searchRef} onChange={setSearch} />
              <UndoRedo undo={undo} redo={redo} />
            </BarMore>
          </>
        }
        panel={panel}
        panelLabel={text.item}
        panelWidth={420}
        open={Boolean(item)}
        onClose={() => setChosen(undefined)}
        closeLabel={text.backToTheKit}
      >
        <Box
          component="main"
          id="sheet"
          tabIndex={-1}
          sx={{
            gridArea: 'sheet',
            minWidth: 0,
            minHeight: { xs: 480, md: 0 },
            display: 'flex',
            flexDirection: 'column',
          }}
        >
          {clashes.map((clash) => (
            <ClashNotice key={clash.id} clash={clash} onSettle={(keep) => settle(clash, keep)} />
          ))}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, px: 2, py: 1.25 }}>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={role}
              onChange={(_, to) => to && setRole(to)}
              aria-label={text.show}
            >
              <ToggleButton value="all">{text.all}</ToggleButton>
              {ROLES.map(({ role: value, label }) => (
                <ToggleButton key={value} value={value}>
                  {label}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Button startIcon={<AddIcon />} onClick={() => setDialog('add')} title={text.addToTheKitN}>
              {text.add}
            </Button>
            <Box sx={{ ml: 'auto', display: 'flex' }}>
              <Button color="inherit" onClick={() => setDialog('import')}>
                {text.importWord}
              </Button>
              <Button color="inherit" onClick={() => saveFile('kit.csv', 'text/csv', kitCsv(items))}>
                {text.exportCsv}
              </Button>
              <Button
                color="inherit"
                onClick={() => saveFile('kit.json', 'application/json', JSON.stringify(kitDocument(items), null, 2))}
              >
                {text.exportJson}
              </Button>
            </Box>
          </Box>
          {items.length ? (
            <KitTable items={shown} uses={uses} search={search} selected={chosen} onSelect={setChosen} />
          ) : (
            <Box sx={{ p: 4, maxWidth: 480 }}>
              <Typography variant="h1" component="h2" gutterBottom>
                {text.nothingInTheKitYet}
              </Typography>
              <Typography variant="body1" sx={{ mb: 2 }}>
                {text.addTheMicrophonesBoxesCables}
              </Typography>
              <Button variant="contained" onClick={() => setDialog('add')}>
                {text.addTheFirstItem}
              </Button>
            </Box>
          )}
        </Box>
      </PlaceFrame>
      {dialog === 'add' && <Late load={loadAdd} props={{ items, onClose: () => setDialog(undefined), onAdd: add }} />}
      {dialog === 'import' && (
        <Late
          load={loadImport}
          props={{
            items,
            onClose: () => setDialog(undefined),
            onTake: (next) => {
              change(() => next);
              setDialog(undefined);
            },
          }}
        />
      )}
      <Snackbar open={Boolean(message)} autoHideDuration={6000} onClose={() => setMessage('')} message={message} />
    </>
  );
}
