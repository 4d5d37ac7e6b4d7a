'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { ShopRecord } from '@/core/kit/shop';
import type { SavedShop } from '@/store/shop';
import { ask } from '@/ui/shell/ask';

interface Props {
  saved: SavedShop;
  items: readonly { id: string; name: string }[];
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const today = () => new Date().toISOString().slice(0, 10);
/** What is left empty is not said. */
const said = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== '' && value !== undefined)) as Partial<T>;

/** What is said of a unit for the shop: serial number, what changed nothing, who was asked, what was done. */
export function ShopForm({ saved, items }: Props) {
  const [version, setVersion] = useState(saved.version);
  const [record, setRecord] = useState<ShopRecord>(saved.record);
  const [question, setQuestion] = useState({ who: '', said: '' });
  const [work, setWork] = useState({ what: '', by: '', on: '', cost: '', warranty: '', ...saved.record.done });
  const [told, setTold] = useState<{ failed?: string; done?: string }>({});
  const set = (more: Partial<ShopRecord>) => setRecord({ ...record, ...more });
  const save = async (next: ShopRecord) => {
    if (work.what.trim() && !(work.by.trim() && DAY.test(work.on)))
      return setTold({
        failed: 'What was done needs by whom, and on which day (as 2026-05-09). Nothing is saved yet.',
      });
    const { serial, item, unchanged, again, asked } = next;
    const done = work.what.trim() ? said(work) : undefined;
    const { body, failed, error } = await ask<SavedShop>(`/api/shop/${saved.id}`, {
      method: 'PUT',
      json: { version, asked, ...said({ serial, item, unchanged, again }), ...(done && { done }) },
    });
    if (error?.code === 'stale-record') setVersion((error.current as SavedShop).version);
    if (!body) return setTold({ failed });
    setVersion(body.version);
    setRecord(body.record);
    setTold({ done: 'Saved.' });
  };
  const field = (label: string, value: string | undefined, change: (to: string) => void, more?: object): ReactNode => (
    <TextField
      label={label}
      value={value ?? ''}
      onChange={({ target }) => change(target.value)}
      {...more}
      sx={{ flex: '1 1 220px' }}
    />
  );
  return (
    // On white paper, whatever the theme.
    <Box data-scheme="light">
      <Box
        component="form"
        aria-label="Record"
        onSubmit={(event) => {
          event.preventDefault();
          void save(record);
        }}
      >
        <h2>The unit</h2>
        <Row>
          {field('Serial number', record.serial, (serial) => set({ serial }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
          {field('Item of the kit', record.item, (item) => set({ item: item || undefined }), {
            select: true,
            children: [
              <MenuItem key="" value="">
                none
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
          {field('What was tried and changed nothing', record.unchanged, (unchanged) => set({ unchanged }), {
            multiline: true,
            slotProps: { htmlInput: { maxLength: 1000 } },
          })}
        </Row>
        <h2>Who was asked</h2>
        <Box component="ul" aria-label="Who was asked" sx={{ m: 0, pl: 2.5 }}>
          {record.asked.map(({ who, said: words, on }, n) => (
            <li key={n}>
              {on}, {who}: {words}
            </li>
          ))}
        </Box>
        <Row hidden>
          {field('Who', question.who, (who) => setQuestion({ ...question, who }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
          {field('What they said', question.said, (words) => setQuestion({ ...question, said: words }), {
            slotProps: { htmlInput: { maxLength: 1000 } },
          })}
          <Button
            variant="outlined"
            disabled={!question.who.trim() || !question.said.trim()}
            onClick={() => {
              const asked = [...record.asked, { who: question.who.trim(), said: question.said.trim(), on: today() }];
              setQuestion({ who: '', said: '' });
              void save({ ...record, asked });
            }}
          >
            Add and save
          </Button>
        </Row>
        <h2>What was done</h2>
        <Row>
          {field('What was done', work.what, (what) => setWork({ ...work, what }), {
            slotProps: { htmlInput: { maxLength: 500 } },
          })}
          {field('By whom', work.by, (by) => setWork({ ...work, by }), {
            slotProps: { htmlInput: { maxLength: 120 } },
          })}
        </Row>
        <Row>
          {field('On (year-month-day)', work.on, (on) => setWork({ ...work, on }), dayError(work.on))}
          {field('Cost', work.cost, (cost) => setWork({ ...work, cost }), {
            slotProps: { htmlInput: { maxLength: 60 } },
          })}
          {field(
            'Warranty until (year-month-day)',
            work.warranty,
            (warranty) => setWork({ ...work, warranty }),
            dayError(work.warranty),
          )}
        </Row>
        <Row>
          {field('Measured again: level, line, conditions', record.again, (again) => set({ again }), {
            slotProps: { htmlInput: { maxLength: 500 } },
          })}
        </Row>
        <Row hidden>
          <Button type="submit" variant="contained">
            Save
          </Button>
        </Row>
        <Box aria-live="polite">
          {told.failed && <Alert severity="error">{told.failed}</Alert>}
          {told.done && <Alert severity="success">{told.done}</Alert>}
        </Box>
      </Box>
    </Box>
  );
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
