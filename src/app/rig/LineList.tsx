'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { useEffect, useRef } from 'react';
import { inletKind, type Line } from '@/core/gear';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { LineAnswer } from './useCheck';

interface Props {
  lines: Line[];
  answers: ReadonlyMap<string, LineAnswer>;
  selected?: string;
  onSelect: (id: string) => void;
  onAdd: () => void;
}

/** The saved lines, each with its verdict. */
export function LineList({ lines, answers, selected, onSelect, onAdd }: Props) {
  const current = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    void current.current?.scrollIntoView({ block: 'nearest' });
  }, [selected]);
  return (
    <Box component="nav" aria-label="Lines" sx={{ gridArea: 'list', borderRight: { md: 1 }, borderBottom: { xs: 1, md: 0 }, borderColor: { xs: 'divider', md: 'divider' }, display: 'flex', flexDirection: 'column', minHeight: 0 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', px: 2, py: 1 }}>
        <Typography variant="h2">Lines</Typography>
        <Button startIcon={<AddIcon />} onClick={onAdd} title="New line (N)">New line</Button>
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, overflowY: 'auto', flex: 1, maxHeight: { xs: 190, md: 'none' } }}>
        {lines.map((line) => {
          const on = line.id === selected;
          const answer = answers.get(line.id);
          return (
            <Box component="li" key={line.id} sx={{ borderTop: 1, borderColor: 'divider' }}>
              <ButtonBase
                ref={on ? current : undefined}
                onClick={() => onSelect(line.id)}
                aria-current={on ? 'true' : undefined}
                sx={{
                  width: '100%', display: 'flex', justifyContent: 'space-between', alignItems: 'baseline', gap: 1, textAlign: 'left', pl: 1.75, pr: 2, py: 0.7,
                  borderLeft: 3, borderColor: on ? 'primary.main' : 'transparent', bgcolor: on ? 'background.paper' : undefined,
                  '&:hover': { bgcolor: 'action.hover' }, '&:focus-visible': { outline: 2, outlineStyle: 'solid', outlineOffset: -2, outlineColor: 'primary.main' },
                }}
              >
                <Box sx={{ minWidth: 0 }}>
                  <Typography variant="body2" noWrap sx={{ fontWeight: on ? 650 : 500 }}>{line.name}</Typography>
                  <Typography variant="caption" color="textSecondary" noWrap component="div">{line.inlet.name || inletKind(line.inlet.kind).label}</Typography>
                </Box>
                {answer?.result ? <VerdictMark verdict={answer.result.verdict} /> : <Typography variant="caption" color="textSecondary">{answer?.failed ? 'unsolved' : '…'}</Typography>}
              </ButtonBase>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
