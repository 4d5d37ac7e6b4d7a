'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { mergedShop, SHOP_FIELDS } from '@/core/kit/shopMerge';
import type { SavedShop } from '@/store/shop';
import { Dialog } from '@/ui/shell/Dialog';
import { ask } from '@/ui/shell/ask';
import { saidIn, useShopDraft, type ShopFields } from './useShopDraft';
import { shopForm as texts } from './texts';

interface Props {
  saved: SavedShop;
  items: readonly { id: string; name: string }[];
  /** What was kept of the line that heard it, newest first. */
  recordings: readonly { id: number; told: string; sound?: string }[];
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
/** Today where this browser is. */
const today = () => new Date().toLocaleDateString('sv-SE');

/** What is said of a unit for the shop: serial number, what changed nothing, who was asked, what was done. */
export function ShopForm({ saved, items, recordings }: Props) {
  const { draft, typed, change, begin, discard, forget } = useShopDraft(saved);
  const { form } = draft;
  const { question, work } = form;
  const [told, setTold] = useState<{ failed?: string; done?: string }>({});
  const [removing, setRemoving] = useState(false);
  const router = useRouter();
  const set = (more: Partial<ShopFields>) => change({ ...form, ...more });
  const save = async () => {
    const missing = missingIn(form);
    if (missing) return setTold({ failed: texts.nothingIsSavedYet(missing) });
    const mine = saidIn(form, today());
    const { body, failed, error } = await ask<SavedShop>(`/api/shop/${saved.id}`, {
      method: 'PUT',
      json: { version: draft.version, ...mine },
    });
    if (error?.code === 'stale-record') {
      const current = error.current as SavedShop;
      const { said, both } = mergedShop(draft.base, mine, current.record);
      begin(current, said);
      return setTold({
        failed: texts.somebodyElseSavedThisRecord(
          both.length ? texts.bothOfYouChangedYours(both.map((field) => SHOP_FIELDS[field]).join(', ')) : '',
        ),
      });
    }
    if (!body) return setTold({ failed });
    begin(body);
    setTold({ done: texts.saved });
  };
  const remove = async () => {
    setRemoving(false);
    const { body, failed } = await ask(`/api/shop/${saved.id}`, { method: 'DELETE' });
    if (!body) return setTold({ failed });
    forget();
    router.push('/kit');
  };
  const field = (label: string, value: string | undefined, to: (text: string) => void, more?: object): ReactNode => (
    <TextField
      label={label}
      value={value ?? ''}
      onChange={({ target }) => to(target.value)}
      {...more}
      sx={{ flex: '1 1 220px' }}
    />
  );
  return (
    // On white paper, whatever the theme.
    <Box data-scheme="light">
      <Box
        component="form"
        aria-label={texts.record}
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <h2>{texts.theUnit}</h2>
        <Row>
          {field(texts.serialNumber, form.serial, (serial) => set({ serial }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
          {field(texts.itemOfTheKit, form.item, (item) => set({ item }), {
            select: true,
            children: [
              <MenuItem key="" value="">
                {texts.none}
              </MenuItem>,
              ...items.map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name}
                </MenuItem>
              )),
            ],
          })}
        </Row>
        <Row>
          {field(texts.whatWasTriedAndChanged, form.unchanged, (unchanged) => set({ unchanged }), {
            multiline: true,
            slotProps: { htmlInput: { maxLength: 1000 } },
          })}
        </Row>
        <h2>{texts.recordings}</h2>
        {recordings.length === 0 ? (
          <p>{texts.noRecordingOfThisLine}</p>
        ) : (
          <Row>
            {(['heard', 'silent'] as const).map((which) => (
              <Recording
                key={which}
                label={which === 'heard' ? texts.recordingWith : texts.recordingWithout}
                value={form.recordings[which]}
                recordings={recordings}
                onChoose={(to) => set({ recordings: { ...form.recordings, [which]: to } })}
              />
            ))}
          </Row>
        )}
        <h2>{texts.whoWasAsked}</h2>
        <Box component="ul" aria-label={texts.whoWasAsked} sx={{ m: 0, pl: 2.5 }}>
          {form.asked.map(({ who, said: words, on }, n) => (
            <li key={n}>
              {on}, {who}: {words}
            </li>
          ))}
        </Box>
        <Row hidden>
          {field(texts.who, question.who, (who) => set({ question: { ...question, who } }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
          {field(texts.whatTheySaid, question.said, (words) => set({ question: { ...question, said: words } }), {
            slotProps: { htmlInput: { maxLength: 1000 } },
          })}
          <Button
            variant="outlined"
            disabled={!question.who.trim() || !question.said.trim()}
            onClick={() => void save()}
          >
            {texts.addAndSave}
          </Button>
        </Row>
        <h2>{texts.whatWasDone}</h2>
        <Row>
          {field(texts.whatWasDone, work.what, (what) => set({ work: { ...work, what } }), {
            slotProps: { htmlInput: { maxLength: 500 } },
          })}
          {field(texts.byWhom, work.by, (by) => set({ work: { ...work, by } }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
        </Row>
        <Row>
          {field(texts.onYearMonthDay, work.on, (on) => set({ work: { ...work, on } }), dayError(work.on))}
          {field(texts.cost, work.cost, (cost) => set({ work: { ...work, cost } }), {
            slotProps: { htmlInput: { maxLength: 60 } },
          })}
          {field(
            texts.warrantyUntilYearMonthDay,
            work.warranty,
            (warranty) => set({ work: { ...work, warranty } }),
            dayError(work.warranty),
          )}
        </Row>
        <Row>
          {field(texts.measuredAgainLevelLineConditions, form.again, (again) => set({ again }), {
            slotProps: { htmlInput: { maxLength: 500 } },
          })}
        </Row>
        <Row hidden>
          <Button type="submit" variant="contained">
            {texts.save}
          </Button>
          {typed && (
            <>
              <Button variant="outlined" onClick={discard}>
                {texts.discardChanges}
              </Button>
              <Typography variant="body2" sx={{ alignSelf: 'center' }}>
                {texts.notSavedYetWhatYou}
              </Typography>
            </>
          )}
          <Button color="inherit" onClick={() => setRemoving(true)} sx={{ ml: 'auto' }}>
            {texts.removeThisRecord}
          </Button>
        </Row>
        <Box aria-live="polite">
          {told.failed && <Alert severity="error">{told.failed}</Alert>}
          {told.done && <Alert severity="success">{told.done}</Alert>}
        </Box>
      </Box>
      <Dialog open={removing} onClose={() => setRemoving(false)}>
        <DialogTitle>{texts.removeThisRecordAsked}</DialogTitle>
        <DialogContent>{texts.everythingInItAbout(saved.record.unit)}</DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={() => setRemoving(false)}>
            {texts.cancel}
          </Button>
          <Button variant="contained" color="error" onClick={() => void remove()}>
            {texts.removeRecord}
          </Button>
        </DialogActions>
      </Dialog>
    </Box>
  );
}

/** A measurement that was kept, and its sound where that was kept too. */
function Recording({
  label,
  value,
  recordings,
  onChoose,
}: {
  label: string;
  value: string;
  recordings: Props['recordings'];
  onChoose: (to: string) => void;
}) {
  const chosen = recordings.find(({ id }) => String(id) === value);
  const gone = value !== '' && !chosen;
  return (
    <Box sx={{ flex: '1 1 300px' }}>
      <TextField
        select
        fullWidth
        label={label}
        value={value}
        onChange={({ target }) => onChoose(target.value)}
        error={gone}
        helperText={gone && texts.thisRecordingWasRemovedChoose}
      >
        <MenuItem value="">{texts.none}</MenuItem>
        {gone && <MenuItem value={value}>{texts.removed}</MenuItem>}
        {recordings.map(({ id, told }) => (
          <MenuItem key={id} value={String(id)}>
            {told}
          </MenuItem>
        ))}
      </TextField>
      {chosen?.sound && (
        <Box sx={{ mt: 0.5, '@media print': { display: 'none' } }}>
          <audio controls preload="none" src={chosen.sound} aria-label={texts.sound(label)} style={{ width: '100%' }} />
        </Box>
      )}
      {chosen && !chosen.sound && <Typography variant="body2">{texts.itsFiguresWereKept}</Typography>}
    </Box>
  );
}

/** What is missing before it makes a record; nothing where nothing is. */
function missingIn({ question, work }: ShopFields): string | undefined {
  if (Boolean(question.who.trim()) !== Boolean(question.said.trim())) return texts.whoWasAskedNeedsBoth;
  if (Object.values(work).some((field) => field.trim()) && !work.what.trim()) return texts.sayWhatWasDone;
  if (work.what.trim() && !(work.by.trim() && DAY.test(work.on))) return texts.whatWasDoneNeeds;
  if (work.warranty && !DAY.test(work.warranty)) return texts.writeTheEnd;
  return undefined;
}

const dayError = (day: string | undefined) =>
  day && !DAY.test(day) ? { error: true, helperText: 'as 2026-05-09' } : {};

/** @param hidden it has no place on paper */
const Row = ({ hidden, children }: { hidden?: boolean; children: ReactNode }) => (
  <Box
    sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1, ...(hidden && { '@media print': { display: 'none' } }) }}
  >
    {children}
  </Box>
);
