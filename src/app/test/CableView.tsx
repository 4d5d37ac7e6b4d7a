'use client';

import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, useState } from 'react';
import { type ConnectorId, type Part } from '@/core/gear';
import type { KitItem } from '@/core/kit';
import {
  CABLE_CONNECTORS,
  isCableItem,
  isOwn,
  type CableItem,
  type CableTested,
  type Experience,
  type Observation,
} from '@/core/testing';
import type { SavedCableTest } from '@/store/testing';
import { useAnswer } from '@/ui/rig/useWorker';
import { ask } from '@/ui/shell/ask';
import { useDraft } from '@/ui/shell/useDraft';
import type { TestWorker } from '@/workers/testWorker';
import { AnsweredList } from './AnsweredList';
import { AnswerGrid } from './AnswerGrid';
import { AtHand } from './AtHand';
import { changeItem } from './changeItem';
import { NotWorkedOut } from './NotWorkedOut';
import { NumbersForm } from './NumbersForm';
import { useTakesFocus } from './useTakesFocus';
import { useSettled } from './useSettled';
import { connectorLabel, percent } from './words';
import { cableView as text } from './texts';

/** A cable that is being tested, and the instrument that every one is tested by. */
interface CableDraft {
  label: string;
  item?: string;
  connector: ConnectorId;
  observations: Observation[];
  /** Chosen instrument; the best where none is. */
  instrument?: string;
  /** What is typed of a reading that is not taken yet, and of which instrument. */
  typed?: { of: string; values: Record<string, string> };
}
const NEW: CableDraft = { label: '', connector: 'xlr3', observations: [] };

/** The cable that is being tested; it survives a change of place. */
export const useCableDraft = () => useDraft<CableDraft>('cable test', NEW);

/** A cable of the kit, with nothing seen of it yet. */
export const draftFor = ({ id, name, part }: CableItem): CableDraft => ({
  ...NEW,
  label: name,
  item: id,
  connector: (part.choices?.connector as ConnectorId | undefined) ?? 'xlr3',
});

interface Props {
  worker: () => TestWorker;
  kit: KitItem[];
  experience: Experience;
  only?: string[];
  missing: string[];
  onMissing: (to: string[]) => void;
  who: string;
  onKept: (test: SavedCableTest) => void;
}

/** A cable tested: what each look rules out, what it cannot see, one after the other. */
export function CableView({ worker, kit, experience, only, missing, onMissing, who, onKept }: Props) {
  const [draft, setDraft] = useCableDraft();
  const [problem, setProblem] = useState('');
  const [sending, setSending] = useState(false);
  const labelField = useRef<HTMLInputElement>(null);
  const { label, item, connector, observations, instrument, typed } = draft;
  const cables = kit.filter(isCableItem);
  const question = useMemo(() => {
    const cable: Part = { kind: 'cable', name: label || text.theCable, ...(item !== undefined && { item }) };
    return { ask: 'cable' as const, connector, cable, observations, experience, only };
  }, [connector, label, item, observations, experience, only]);
  const { answer, failed, busy, again } = useAnswer(worker, question, 'cable');
  const found = answer?.found;
  const looks = found ? [...(found.next ? [found.next] : []), ...found.others] : [];
  const next = looks.find((each) => each.instrument === instrument) ?? looks[0];
  const heading = useTakesFocus(next ? `${next.instrument} ${observations.length}` : '');
  const settled = useSettled(next ? `${next.instrument} ${observations.length}` : '');
  const observe = (seen: Observation['seen']) =>
    next &&
    setDraft({
      ...draft,
      typed: undefined,
      observations: [...observations, { instrument: next.instrument, at: next.at, seen }],
    });

  /** A cable that is one of its own in the kit counts as tested from now on, or no longer. */
  const markTested = async () => {
    const own = kit.find(({ id }) => id === item);
    if (!own || !isOwn(own) || !found) return;
    const tested = found.tested ? 'yes' : 'no';
    const { failed: refused } = await changeItem(own.id, (from) =>
      isOwn(from) ? { ...from, part: { ...from.part, choices: { ...from.part.choices, tested } } } : from,
    );
    if (refused) setProblem(text.theKitStillSaysWhat(refused));
  };

  const keep = async () => {
    setSending(true);
    const { body, failed: refused } = await ask<SavedCableTest>('/api/cable-tests', {
      method: 'POST',
      json: { label: label.trim(), who, connector, observations, ...(item !== undefined && { item }) },
    });
    setSending(false);
    setProblem(refused ?? '');
    if (!body) return;
    onKept(body);
    await markTested();
    // The next one in the row is often its neighbour: same connector, same instrument, next number.
    setDraft({ ...NEW, connector, instrument, label: nextLabel(label) });
    labelField.current?.focus();
  };
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, py: 2, maxWidth: 820 }}>
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        {text.testACable}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mb: 1 }}>
        <Autocomplete
          freeSolo
          options={cables.map(({ id, name }) => ({ id, label: name }))}
          inputValue={label}
          onInputChange={(_, to) =>
            setDraft({ ...draft, label: to.slice(0, 80), ...(to !== label && { item: undefined }) })
          }
          onChange={(_, to) => {
            if (!to || typeof to === 'string') return;
            const chosen = cables.find(({ id }) => id === to.id);
            if (chosen) setDraft({ ...draftFor(chosen), instrument });
          }}
          sx={{ flex: '1 1 260px' }}
          renderInput={(params) => (
            <TextField {...params} inputRef={labelField} label={text.labelOrCable} placeholder={text.stageBox7} />
          )}
        />
        <TextField
          select
          label={text.connectors}
          value={connector}
          onChange={(event) => setDraft({ ...draft, connector: event.target.value as ConnectorId, observations: [] })}
          sx={{ width: 180 }}
        >
          {CABLE_CONNECTORS.map((each) => (
            <MenuItem key={each} value={each}>
              {connectorLabel(each)}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label={text.testIt}
          value={looks.some((each) => each.instrument === instrument) ? instrument : ''}
          onChange={(event) => setDraft({ ...draft, instrument: event.target.value || undefined })}
          sx={{ width: 200 }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">{text.whatTellsMost}</MenuItem>
          {looks.map(({ instrument: name, label: called }) => (
            <MenuItem key={name} value={name}>
              {called}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <NotWorkedOut failed={failed} onAgain={again} />
      {problem && (
        <Alert severity="error" onClose={() => setProblem('')}>
          {text.notKept(problem)}
        </Alert>
      )}
      {found && observations.length > 0 && <Result found={found} />}
      {next && !found?.bad && (
        <Box component="section" aria-label={text.question} sx={{ mt: 1 }}>
          <Typography
            ref={heading}
            tabIndex={-1}
            variant="h1"
            component="h3"
            sx={{ fontSize: 'title.fontSize', lineHeight: 1.2 }}
          >
            {next.ask}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {next.about}
          </Typography>
          <AnswerGrid
            answers={next.answers.map((each) => ({ ...each, means: each.means.split('; ').map(short).join('; ') }))}
            onAnswer={observe}
            busy={busy || !settled}
          />
          <NumbersForm
            key={`${next.instrument} ${observations.length}`}
            numbers={next.numbers}
            typed={typed?.of === next.instrument ? typed.values : undefined}
            onTyped={(values) => setDraft({ ...draft, typed: { of: next.instrument, values } })}
            onNumbers={observe}
          />
        </Box>
      )}
      <AnsweredList
        seen={found?.seen ?? []}
        onUndo={(n) => setDraft({ ...draft, observations: observations.filter((_, each) => each !== n) })}
      />
      <Box sx={{ mt: 2 }}>
        <Button
          variant="contained"
          disabled={sending || busy || observations.length === 0 || label.trim() === ''}
          onClick={() => void keep()}
          sx={{ minHeight: 48 }}
        >
          {text.keepItNextCable}
        </Button>
        {observations.length > 0 && label.trim() === '' && (
          <Typography variant="caption" sx={{ ml: 1 }}>
            {text.giveItALabelFirst}
          </Typography>
        )}
      </Box>
      <AtHand missing={missing} onMissing={onMissing} />
    </Box>
  );
}

/** The label after this one where it ends in a number: `stage box 7` is followed by `stage box 8`. */
const nextLabel = (label: string): string => {
  const found = /^(.*?)(\d+)\s*$/.exec(label);
  return found ? `${found[1]}${Number(found[2]) + 1}` : '';
};

function Result({ found }: { found: CableTested }) {
  const { bad, tested, left, ruledOut, notSeen, next } = found;
  const [worst] = left.filter(({ part }) => part !== 'nothing');
  return (
    <Box role="status" sx={{ borderTop: 1, borderBottom: 1, borderColor: 'divider', py: 1, my: 1 }}>
      <Typography sx={{ fontWeight: 650, fontSize: 'lead.fontSize' }}>
        {bad && worst
          ? text.badSetItAside(worst.what, percent(worst.probability))
          : left[0] === worst && worst
            ? text.suspectLookOnceMore(worst.what, percent(worst.probability))
            : tested
              ? text.noBreakNoShortNothing
              : text.nothingFoundWrongSoFar}
      </Typography>
      {ruledOut.length > 0 && !bad && (
        <Typography variant="body2">{text.ruledOut(ruledOut.map(short).join(', '))}</Typography>
      )}
      {notSeen.length > 0 && !bad && (
        <Typography variant="body2" color="textSecondary">
          {text.notSeen(notSeen.map(short).join(', '))}
          {next && text.wouldCloseMost(next.label)}
        </Typography>
      )}
    </Box>
  );
}

/** A fault without the name of its cable. */
const short = (what: string): string => what.replace(/^.*?: /, '');
