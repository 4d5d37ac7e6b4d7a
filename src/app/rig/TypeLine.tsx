'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { memo, useEffect, useMemo, useState, type RefObject } from 'react';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import { completions, readTyped, withTyped, type Ambiguous, type Completion, type TypedLine } from '@/core/typed';
import { typedKey } from './pasted';
import { useDraft } from '@/ui/shell/useDraft';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { CheckWorker } from '@/workers/checkWorker';
import type { TypedVerdict } from '@/workers/messages';
import { typeLine as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  kit: readonly KitItem[];
  worker: RefObject<CheckWorker | undefined>;
  field: RefObject<HTMLInputElement | null>;
  /** A list was pasted, which is more than lines as they are typed. */
  onList: (text: string) => void;
  /** The rig with the new lines, and their ids. */
  onAdd: (document: RigDocument, ids: string[]) => void;
}

/** After the last key, before it is judged, in milliseconds. */
const PAUSE = 150;

/** What may follow where nothing stands. */
const NONE: Completion[] = [];

/** One field for lines as people say them; what was understood stands over it with its verdict, before it is taken. */
export function TypeLine({ rig, document, kit, worker, field, onList, onAdd }: Props) {
  const [text, setText] = useDraft(typedKey(rig), '');
  const typed = useMemo(() => readTyped(document, kit, text), [document, kit, text]);
  const options = useMemo(() => (text === '' ? NONE : completions(document, kit, text)), [document, kit, text]);
  const made = useMemo(() => withTyped(document, typed), [document, typed]);
  const verdicts = useVerdicts(worker, made);
  const ready = typed.length > 0 && typed.every(({ problem }) => problem === undefined);
  const add = () => {
    onAdd(made.document, made.ids);
    setText('');
  };
  return (
    <Box
      component="section"
      aria-label={texts.typeLines}
      sx={{
        position: 'sticky',
        bottom: { xs: 58, md: 0 },
        zIndex: 2,
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        px: 1.5,
        py: 1,
      }}
    >
      <Field {...{ text, setText, options, field, onList }} count={made.ids.length} onAdd={ready ? add : undefined} />
      <Box aria-live="polite" sx={{ maxHeight: { xs: 180, md: 260 }, overflowY: 'auto', mt: typed.length ? 1 : 0 }}>
        {typed.map((each, n) => (
          <Understood
            key={n}
            typed={each}
            verdicts={made.by[n].flatMap((id) => verdicts.get(id) ?? [])}
            onInstead={(of, to) => setText((now) => now.replace(of, to))}
          />
        ))}
      </Box>
      <Hint beside={typed.length > 0} />
    </Box>
  );
}

interface FieldProps {
  text: string;
  setText: (to: string) => void;
  options: readonly Completion[];
  /** How many lines stand there. */
  count: number;
  field: Props['field'];
  onList: Props['onList'];
  /** Absent where what stands there cannot be taken. */
  onAdd?: () => void;
}

/** The field itself. While nothing stands in it, it stays as it is, whatever happens to the rig. */
const Field = memo(function Field({ text, setText, options, count, field, onList, onAdd }: FieldProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
      <Autocomplete<Completion, false, true, true>
        freeSolo
        disableClearable
        fullWidth
        options={options}
        filterOptions={(all) => all}
        getOptionLabel={(option) => (typeof option === 'string' ? option : option.text)}
        inputValue={text}
        onInputChange={(_, to, reason) => reason === 'input' && setText(to)}
        value={'' as unknown as Completion}
        onChange={(_, to) => (typeof to === 'string' ? onAdd?.() : setText(to.text))}
        slotProps={{ popper: { placement: 'top-start' } }}
        renderOption={({ key: _key, ...props }, { label, what, text: whole }) => (
          <li {...props} key={whole}>
            <Box component="span" sx={{ flex: 1 }}>
              {label}
            </Box>
            <Typography component="span" variant="caption" color="textSecondary">
              {what}
            </Typography>
          </li>
        )}
        renderInput={(params) => (
          <TextField
            {...params}
            multiline
            maxRows={4}
            inputRef={field}
            label={texts.typeALine}
            placeholder={texts.ribbon10MDesk3}
            // Enter takes what stands there; a line of its own is Shift Enter.
            onPaste={(event) => {
              const list = event.clipboardData.getData('text/plain');
              if (!isList(list)) return;
              event.preventDefault();
              onList(list);
            }}
            onKeyDown={(event) => event.key === 'Enter' && !event.shiftKey && event.preventDefault()}
            slotProps={{ ...params.slotProps, inputLabel: { ...params.slotProps?.inputLabel, shrink: true } }}
          />
        )}
      />
      <Button
        variant="contained"
        disabled={!onAdd}
        onClick={onAdd}
        sx={{ minHeight: { xs: 44, md: 40 }, whiteSpace: 'nowrap' }}
      >
        {texts.add(count)}
      </Button>
    </Box>
  );
});

const Hint = memo(function Hint({ beside }: { beside: boolean }) {
  return (
    <Typography
      variant="caption"
      color="textSecondary"
      component="p"
      sx={{ display: { xs: beside ? 'block' : 'none', md: 'block' } }}
    >
      {texts.sourceWhatLiesBetweenWhere}
      <Box component={NextLink} prefetch={false} href="/typing" sx={{ color: 'primary.main' }}>
        {texts.howToTypeLines}
      </Box>
    </Typography>
  );
});

/** Several rows that nobody typed as lines: a list of a spreadsheet, or of a message. */
export const isList = (text: string): boolean =>
  text.trim().includes('\n') && (text.includes('\t') || !/>|→/.test(text));

/** Verdicts of lines that are not in the rig yet. */
function useVerdicts(worker: Props['worker'], made: ReturnType<typeof withTyped>) {
  const [verdicts, setVerdicts] = useState<ReadonlyMap<string, TypedVerdict>>(new Map());
  useEffect(() => {
    if (made.ids.length === 0) return;
    let stale = false;
    const timer = setTimeout(() => {
      void worker.current?.ask({ ask: 'typed', document: made.document, ids: made.ids }).then((answer) => {
        if (!stale && answer.ask === 'typed') setVerdicts(new Map(answer.verdicts.map((each) => [each.id, each])));
      });
    }, PAUSE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [worker, made]);
  return verdicts;
}

interface UnderstoodProps {
  typed: TypedLine;
  verdicts: TypedVerdict[];
  onInstead: (of: string, to: string) => void;
}

function Understood({ typed: { understood, problem, open, ambiguous, text }, verdicts, onInstead }: UnderstoodProps) {
  return (
    <Box sx={{ mb: 1 }}>
      {understood.length > 0 && (
        <Typography sx={{ fontWeight: 650 }}>
          {understood.join(' → ')}
          {problem === undefined && ':'}{' '}
          {verdicts.slice(0, 1).map(({ id, verdict, what }) => (
            <Box component="span" key={id} sx={{ fontWeight: 400 }}>
              <VerdictMark verdict={verdict} /> {what}
              {verdicts.length > 1 && verdicts.some((each) => each.verdict !== verdict) && texts.notAllOfThemAlike}
            </Box>
          ))}
        </Typography>
      )}
      {problem !== undefined && (
        <Typography color="error">
          {understood.length === 0 && <strong>{text}: </strong>}
          {problem}
        </Typography>
      )}
      {open.length > 0 && (
        <Typography variant="body2">
          {texts.notUnderstoodKept}
          <strong>{open.join(', ')}</strong>
          {texts.theVerdictIsWithout}
        </Typography>
      )}
      {ambiguous.map((each) => (
        <Instead key={each.of} ambiguous={each} onInstead={onInstead} />
      ))}
    </Box>
  );
}

function Instead({
  ambiguous: { of, taken, others },
  onInstead,
}: {
  ambiguous: Ambiguous;
  onInstead: UnderstoodProps['onInstead'];
}) {
  return (
    <Typography variant="body2" component="div">
      {texts.isTakenAsInstead(of, taken)}
      {others.slice(0, 4).map((other) => (
        <Button key={other} size="small" onClick={() => onInstead(of, other)} sx={{ minHeight: { xs: 44, md: 28 } }}>
          {other}
        </Button>
      ))}
    </Typography>
  );
}
