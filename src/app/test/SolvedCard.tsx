'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { isOwn } from '@/core/testing';
import { rigPath, type RigDocument, type RigLine } from '@/core/rig';
import { applyToRig } from '@/core/rig/rigEdits';
import { ask } from '@/ui/shell/ask';
import { changeItem } from './changeItem';
import { LargeHeading } from './LargeHeading';
import type { Fault } from './useFault';
import { capital, today } from './words';
import { solvedCard as text } from './texts';

interface Props {
  /** Id of the rig. */
  rig: string;
  document: RigDocument;
  line: RigLine;
  solved: NonNullable<Fault['solved']>;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
  onAgain: () => void;
  /** Somebody has looked at which end it was. */
  onEnd: (end: 'source' | 'inlet') => void;
  /** It did not help after all. */
  onTakenBack: () => void;
}

/** What helped, and what follows from it: the rig with a good cable, the bad one set aside. */
export function SolvedCard({ rig, document, line, solved, onChange, onTold, onAgain, onEnd, onTakenBack }: Props) {
  const link = /^swap link (\d+)$/.exec(solved.act)?.[1];
  const owner = link === undefined ? undefined : rigPath(document, line.id)?.owners[Number(link)];
  const part = owner && document.lines.find(({ id }) => id === owner.line)?.links[owner.link];
  const [aside, setAside] = useState(false);
  const marked = Boolean(part?.faults?.length);
  const mend = () => {
    onChange((from) => applyToRig(from, owner!.line, [{ do: 'mend', at: owner!.link }]));
    onTold(text.theRigHasAGood);
  };
  const takeBack = async () => {
    const { failed } = await ask(`/api/rigs/${rig}/repairs/${solved.repair}`, { method: 'DELETE' });
    if (failed) return onTold(text.notTakenBack(failed));
    onTold(text.takenBackItCounts);
    onTakenBack();
  };
  const sayEnd = async (end: 'source' | 'inlet') => {
    const { failed } = await ask(`/api/rigs/${rig}/repairs/${solved.repair}`, { method: 'PUT', json: { end } });
    if (failed) return onTold(text.notKept(failed));
    onTold(text.keptNextTimeIts);
    onEnd(end);
  };
  const setOneAside = async (item: string) => {
    const { item: saved, failed } = await changeItem(item, (from) => ({
      ...from,
      note: text.noteOfOneSetAside(from.note, solved.what).slice(0, 500),
      // One of its own is retired, with its history; of several there is one fewer.
      ...(isOwn(from) ? { register: { ...from.register, retired: today() } } : { count: Math.max(0, from.count - 1) }),
    }));
    if (!saved) return onTold(text.notSetAside(failed));
    setAside(true);
    onTold(isOwn(saved) ? text.isRetiredInTheRegister(saved.name) : text.oneFewerInTheKit(saved.name));
  };
  return (
    <Box component="section" aria-label={text.solved} sx={{ py: 2, maxWidth: 760 }}>
      <Typography color="textSecondary">
        <strong>{line.name}</strong>
      </Typography>
      <LargeHeading>{text.solved}</LargeHeading>
      <Typography sx={{ mb: 2 }}>{text.mostLikely(capital(solved.what))}</Typography>
      {link !== undefined && (
        <Box sx={{ mb: 2 }}>
          <ToggleButtonGroup
            exclusive
            value={solved.counts.end ?? null}
            onChange={(_, end: 'source' | 'inlet' | null) => end && void sayEnd(end)}
            aria-label={text.whichEnd}
          >
            <ToggleButton value="source" sx={{ minHeight: 44 }}>
              {text.stageEnd}
            </ToggleButton>
            <ToggleButton value="inlet" sx={{ minHeight: 44 }}>
              {text.deskEnd}
            </ToggleButton>
          </ToggleButtonGroup>
          <Typography variant="caption" component="p" color="textSecondary">
            {text.whichEndWasItOpen}
          </Typography>
        </Box>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {marked && (
          <Button variant="contained" onClick={mend} sx={{ minHeight: 44 }}>
            {text.putAGoodOne}
          </Button>
        )}
        {part?.item && !aside && (
          <Button variant="outlined" onClick={() => void setOneAside(part.item!)} sx={{ minHeight: 44 }}>
            {text.setTheBadOneAside}
          </Button>
        )}
        <Button variant="outlined" onClick={() => void takeBack()} sx={{ minHeight: 44 }}>
          {text.itDidntHelpAfter}
        </Button>
        <Button variant="outlined" onClick={onAgain} sx={{ minHeight: 44 }}>
          {text.somethingIsWrongAgain}
        </Button>
      </Box>
    </Box>
  );
}
