'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo, useEffect, useRef, type MouseEvent } from 'react';
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
  return (
    <Box
      component="nav"
      aria-label="Lines"
      sx={{
        gridArea: 'list',
        borderRight: { md: 1 },
        borderBottom: { xs: 1, md: 0 },
        borderColor: { xs: 'divider', md: 'divider' },
        display: 'flex',
        flexDirection: 'column',
        minHeight: 0,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', px: 2, py: 1 }}>
        <Typography variant="h2">Lines</Typography>
        <Button startIcon={<AddIcon />} onClick={onAdd} title="New line (N)">
          New line
        </Button>
      </Box>
      <Box
        component="ul"
        sx={{ listStyle: 'none', m: 0, p: 0, overflowY: 'auto', flex: 1, maxHeight: { xs: 190, md: 'none' } }}
      >
        {lines.map((line) => (
          <Row key={line.id} line={line} answer={answers.get(line.id)} on={line.id === selected} onSelect={onSelect} />
        ))}
      </Box>
    </Box>
  );
}

interface RowProps {
  line: Line;
  answer?: LineAnswer;
  on: boolean;
  onSelect: Props['onSelect'];
}

const Row = memo(function Row({ line, answer, on, onSelect }: RowProps) {
  const row = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    if (on) void row.current?.scrollIntoView({ block: 'nearest' });
  }, [on]);
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
      <ButtonBase
        ref={row}
        component="a"
        href={`/rig?line=${line.id}`}
        onClick={(event: MouseEvent) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) return;
          event.preventDefault();
          onSelect(line.id);
        }}
        aria-current={on ? 'true' : undefined}
        title={line.name}
        sx={{
          width: '100%',
          display: 'flex',
          justifyContent: 'space-between',
          alignItems: 'baseline',
          gap: 1,
          textAlign: 'left',
          pl: 1.75,
          pr: 2,
          py: 0.7,
          borderLeft: 3,
          borderColor: on ? 'primary.main' : 'transparent',
          bgcolor: on ? 'background.paper' : undefined,
          '&:hover': { bgcolor: 'action.hover' },
          '&:focus-visible': { outline: 2, outlineStyle: 'solid', outlineOffset: -2, outlineColor: 'primary.main' },
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="body2" noWrap sx={{ fontWeight: on ? 650 : 500 }}>
            {line.name}
          </Typography>
          <Typography variant="caption" color="textSecondary" noWrap component="div">
            {line.inlet.name || inletKind(line.inlet.kind).label}
          </Typography>
        </Box>
        {answer?.result ? (
          <VerdictMark verdict={answer.result.verdict} />
        ) : (
          <Typography variant="caption" color="textSecondary">
            {answer?.failed ? 'unsolved' : '…'}
          </Typography>
        )}
      </ButtonBase>
    </Box>
  );
});
