'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useMemo, useState } from 'react';
import { ENTRY_KINDS, type EntryKind } from '@/core/log';
import type { RigDocument } from '@/core/rig';
import { BarHeading, BarMore } from '@/ui/shell/barParts';
import { Choice } from '@/ui/shell/Choice';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { useDraft } from '@/ui/shell/useDraft';
import { useStored } from '@/ui/shell/useStored';
import { EntryList } from './EntryList';
import { ExposureList } from './ExposureList';
import { filterQuery, useLog, type LogView } from './useLog';
import { logPlace as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  initial: LogView;
}

const ALL = 'all';

/** The Log place: what was switched, found and saved, and what every source had to bear. */
export function LogPlace({ rig, document, initial }: Props) {
  const [who, setWho] = useStored('inlet-check-who', '');
  const [kind, setKind] = useState<EntryKind | typeof ALL>(ALL);
  const [line, setLine] = useState(ALL);
  const [text, setText] = useState('');
  const [day, setDay] = useState(ALL);
  const [note, setNote] = useDraft(`note ${rig}`, '');
  const [open, setOpen] = useState(false);
  const filter = useMemo(
    () => ({
      ...(kind !== ALL && { kinds: [kind] }),
      ...(line !== ALL && { line }),
      ...(day !== ALL && { from: day, to: day }),
      ...(text.trim() && { text }),
    }),
    [kind, line, day, text],
  );
  const { entries, exposures, days, matching, total, failed, add, older } = useLog(rig, initial, filter);
  const nameOf = (id: string) => document.lines.find((each) => each.id === id)?.name ?? id;
  const fileOf = (as: 'csv' | 'json') => `/api/rigs/${rig}/log?as=${as}&${filterQuery(filter)}`;
  return (
    <PlaceFrame
      here="/log"
      rig={rig}
      bar={
        <>
          <BarHeading rig={document.name} />
          <BarMore>
            <Button component="a" href={fileOf('csv')} download>
              {texts.asCsv}
            </Button>
            <Button component="a" href={fileOf('json')} download>
              {texts.asJson}
            </Button>
            <Button component={NextLink} prefetch={false} href={`/log/hand-over?rig=${rig}`}>
              {texts.handOverPage}
            </Button>
          </BarMore>
        </>
      }
      panel={<ExposureList exposures={exposures} nameOf={nameOf} onChoose={setLine} />}
      panelLabel={texts.powerEachSourceHasSeen}
      panelWidth={360}
      open={open}
      onClose={() => setOpen(false)}
      closeLabel={texts.backToTheLog}
    >
      <Box
        component="main"
        id="sheet"
        tabIndex={-1}
        sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, overflowY: { md: 'auto' } }}
      >
        <Box
          component="form"
          aria-label={texts.aNoteForTheLog}
          onSubmit={async (event) => {
            event.preventDefault();
            if (note.trim() && (await add(note, who, line === ALL ? [] : [line]))) setNote('');
          }}
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, px: 2, py: 1.5, borderBottom: 1, borderColor: 'divider' }}
        >
          <TextField
            label={line === ALL ? texts.note : texts.noteOn(nameOf(line))}
            value={note}
            onChange={(event) => setNote(event.target.value.slice(0, 2000))}
            sx={{ flex: '1 1 260px' }}
          />
          <TextField
            label={texts.yourName}
            value={who}
            onChange={(event) => setWho(event.target.value.slice(0, 60))}
            sx={{ width: 130 }}
          />
          <Button type="submit" variant="outlined" disabled={!note.trim()}>
            {texts.addNote}
          </Button>
        </Box>
        {failed && <Alert severity="error">{failed}</Alert>}
        <Box
          role="search"
          aria-label={texts.filterOfTheLog}
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, px: 2, pt: 1.5 }}
        >
          <Choice
            label={texts.kind}
            value={kind}
            onChoose={(to) => setKind(to as EntryKind)}
            width={150}
            options={[[ALL, texts.everything], ...Object.entries(ENTRY_KINDS)]}
          />
          <Choice
            label={texts.line}
            value={line}
            onChoose={setLine}
            width={150}
            options={[[ALL, texts.everyLine], ...document.lines.map(({ id, name }) => [id, name] as const)]}
          />
          <Choice
            label={texts.day}
            value={day}
            onChoose={setDay}
            width={150}
            options={[[ALL, texts.everyDay], ...days.map((each) => [each, each] as const)]}
          />
          <TextField
            label={texts.searchText}
            value={text}
            onChange={(event) => setText(event.target.value)}
            sx={{ width: 160 }}
          />
          <Typography variant="caption" color="textSecondary" role="status" sx={{ alignSelf: 'center' }}>
            {texts.matchingOf(matching, total)}
          </Typography>
          <Button onClick={() => setOpen(true)} sx={{ display: { lg: 'none' } }}>
            {texts.powerEachSourceHasSeen}
          </Button>
        </Box>
        <EntryList entries={entries} nameOf={nameOf} rig={rig} none={total === 0} />
        {older && (
          <Box sx={{ px: 2, pb: 4 }}>
            <Button variant="outlined" onClick={() => void older()}>
              {texts.showOlderEntries}
            </Button>
          </Box>
        )}
      </Box>
    </PlaceFrame>
  );
}
