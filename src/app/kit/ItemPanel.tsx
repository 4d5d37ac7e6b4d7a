'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { ShopList } from './ShopList';
import { useState } from 'react';
import { figureOf, kindOfPart, LINKS, SOURCES, UNKNOWN, type Part } from '@/core/gear';
import { openPoints, type Answer, type KitItem } from '@/core/kit';
import { DocumentError, type Device, type Refusal } from '@/core/rig';
import { loadReaders, UNREAD } from '@/ui/rig/loadReaders';
import { withinDevice } from '@/ui/devices/deviceForm';
import { DeviceDialog } from '@/ui/devices/DeviceDialog';
import { AnswerDialog } from '@/ui/parts/AnswerDialog';
import { Facts } from '@/ui/parts/Facts';
import { NameField, PartEditor } from '@/ui/parts/PartEditor';
import type { Use } from './uses';
import { kindText } from './KitTable';
import { uncapital } from '@/core/units/format';
import { worded } from '@/core/units/conventions';
import { itemPanel as texts } from './texts';

interface Props {
  item: KitItem;
  uses: Use[];
  onChange: (item: KitItem) => void;
  onRemove: () => void;
  onAnswer: (answer: Answer) => void;
}

type Asked = { title: string } & ({ choice: string; value: string } | { figure: string });

/** One item: what it is, its figures, what nobody has said yet, where it is used. */
export function ItemPanel({ item, uses, onChange, onRemove, onAnswer }: Props) {
  const [asked, setAsked] = useState<Asked>();
  const [editing, setEditing] = useState(false);
  const open = openPoints(item);
  return (
    <Stack spacing={2} sx={{ p: 2.5 }}>
      <Box>
        <Typography variant="caption" color="textSecondary" component="p">
          {kindText(item)}
        </Typography>
        <Typography variant="panel" component="h2">
          {item.name}
        </Typography>
      </Box>
      {open.length > 0 && (
        <Box component="section" aria-label={texts.stillToFindOut}>
          <Typography variant="h3" component="h3" gutterBottom>
            {texts.stillToFindOut}
          </Typography>
          <Stack spacing={1}>
            {open.map(({ what, leaves }) => (
              <Box key={what}>
                <Typography variant="body2" sx={{ fontWeight: 600 }}>
                  {worded(what)}
                </Typography>
                <Typography variant="caption" color="textSecondary" component="p">
                  {worded(leaves)}
                </Typography>
              </Box>
            ))}
          </Stack>
          {item.role !== 'device' && <Answers item={item} onAsk={setAsked} />}
        </Box>
      )}
      {item.role !== 'device' && <Facts part={item.part} kind={kindOfPart(item.role, item.part.kind)} />}
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 90px' }}>
        <NameField key={item.id} value={item.name} onChange={(name) => name && onChange({ ...item, name })} />
        <CountField key={item.id} value={item.count} onChange={(count) => onChange({ ...item, count })} />
      </Box>
      <TextSave
        label={texts.dataSheet}
        key={`s${item.sheet}`}
        value={item.sheet ?? ''}
        most={300}
        onChange={(sheet) => onChange(withText(item, 'sheet', sheet))}
      />
      <TextSave
        label={texts.note}
        key={`n${item.note}`}
        value={item.note ?? ''}
        most={500}
        onChange={(note) => onChange(withText(item, 'note', note))}
      />
      {item.role === 'device' ? (
        <Button variant="outlined" onClick={() => setEditing(true)}>
          {texts.inletsSwitchesAndFigures}
        </Button>
      ) : (
        <PartEditor
          role={item.role === 'source' ? 'source' : 0}
          title={item.role === 'source' ? texts.source : texts.link}
          part={item.part}
          kinds={item.role === 'source' ? SOURCES : LINKS}
          unnamed
          onChange={(_, part) => onChange({ ...item, part })}
        />
      )}
      <ShopList item={item.id} />
      <Box component="section" aria-label={texts.usedOn}>
        <Typography variant="h3" component="h3" gutterBottom>
          {texts.usedOn}
        </Typography>
        {uses.length === 0 && (
          <Typography variant="body2" color="textSecondary">
            {texts.noRigUses}
          </Typography>
        )}
        {uses.map(({ rig, name, places }) => (
          <Typography key={rig} variant="body2">
            <Box component="a" href={`/rig?rig=${rig}`} sx={{ color: 'primary.main', fontWeight: 600 }}>
              {name}
            </Box>
            {`: ${places.join(', ')}`}
          </Typography>
        ))}
      </Box>
      <Button color="error" sx={{ alignSelf: 'flex-start' }} onClick={onRemove}>
        {texts.removeFromTheKit}
      </Button>
      {asked && (
        <AnswerDialog
          title={asked.title}
          everywhere={
            uses.length ? texts.updatedEverywhereItIsUsed(uses.map(({ name }) => name).join(', ')) : undefined
          }
          onClose={() => setAsked(undefined)}
          onRecord={(fact) => {
            const answer = answerFor(item, asked, fact);
            if (answer) onAnswer(answer);
            setAsked(undefined);
          }}
        />
      )}
      {editing && item.role === 'device' && (
        <DeviceDialog
          device={{ id: item.id, name: item.name, ...item.device }}
          onClose={() => setEditing(false)}
          onSave={async (device) => {
            const refused = await deviceFault(item, device, onChange);
            if (!refused.length) setEditing(false);
            return refused;
          }}
        />
      )}
    </Stack>
  );
}

async function deviceFault(item: KitItem, device: Device, onChange: Props['onChange']): Promise<Refusal[]> {
  const { readItem } = await loadReaders();
  if (!readItem) return UNREAD;
  const { inlets, groups, ground, feedLimit, batteries } = device;
  try {
    onChange(
      readItem({
        ...item,
        name: device.name,
        device: {
          inlets,
          groups,
          ...(ground && { ground }),
          ...(feedLimit && { feedLimit }),
          ...(batteries && { batteries }),
        },
      }),
    );
    return [];
  } catch (error) {
    if (error instanceof DocumentError) return withinDevice(error.refusals, 'device');
    throw error;
  }
}

const withText = (item: KitItem, field: 'sheet' | 'note', text: string): KitItem => {
  const { [field]: _before, ...rest } = item;
  return (text ? { ...rest, [field]: text } : rest) as KitItem;
};

/** One button for each answer that would settle a question, and for each assumed figure. */
function Answers({ item, onAsk }: { item: Extract<KitItem, { part: Part }>; onAsk: (asked: Asked) => void }) {
  const kind = kindOfPart(item.role, item.part.kind);
  const questions = Object.entries(kind.choices).filter(
    ([name, { question, standard }]) => question && (item.part.choices?.[name] ?? standard) === UNKNOWN,
  );
  const assumed = Object.keys(kind.figures).filter((name) => figureOf(kind, item.part, name)?.basis === 'assumed');
  return (
    <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 0.75, mt: 1 }}>
      {questions.flatMap(([name, { options }]) =>
        options
          .filter(({ value }) => value !== UNKNOWN)
          .map(({ value, label }) => (
            <Button
              key={name + value}
              variant="outlined"
              onClick={() => onAsk({ title: texts.answer(label), choice: name, value })}
            >
              {texts.answer(label)}
            </Button>
          )),
      )}
      {assumed.map((name) => (
        <Button
          key={name}
          variant="outlined"
          onClick={() => onAsk({ title: texts.confirmAsEntered(uncapital(kind.figures[name].label)), figure: name })}
        >
          {texts.confirm(uncapital(kind.figures[name].label))}
        </Button>
      ))}
    </Stack>
  );
}

function answerFor(item: KitItem, asked: Asked, fact: Answer['fact']): Answer | undefined {
  if ('choice' in asked) return { fact, choice: asked.choice, value: asked.value };
  if (item.role === 'device') return undefined;
  const value = figureOf(kindOfPart(item.role, item.part.kind), item.part, asked.figure);
  return (
    value && {
      fact,
      figure: asked.figure,
      value: {
        value: value.value,
        unit: value.unit,
        basis: 'maker',
        where: [fact.who, fact.where].filter(Boolean).join(', '),
      },
    }
  );
}

function CountField({ value, onChange }: { value: number; onChange: (count: number) => void }) {
  const [draft, setDraft] = useState<string>();
  const text = draft ?? String(value);
  const count = Number(text);
  const bad = !/^\d{1,3}$/.test(text.trim());
  const commit = () => {
    if (bad) return;
    setDraft(undefined);
    if (count !== value) onChange(count);
  };
  return (
    <TextField
      label={texts.count}
      value={text}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      error={bad}
      helperText={bad ? texts.from0To999 : undefined}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
}

function TextSave({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  onChange: (text: string) => void;
}) {
  const [draft, setDraft] = useState(value);
  return (
    <TextField
      label={label}
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={() => draft.trim() !== value && onChange(draft.trim())}
      placeholder={label === 'Data sheet' ? texts.whichSheetEditionPage : undefined}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: most } }}
    />
  );
}
