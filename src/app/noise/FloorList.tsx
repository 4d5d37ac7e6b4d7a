'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { memo } from 'react';
import type { FloorMeter } from '@/core/schools/schools';
import type { RigLine } from '@/core/rig';
import { Choice } from '@/ui/shell/Choice';
import type { LineFloor } from '@/workers/noiseMessages';
import { floorList as texts } from './texts';

interface Props {
  lines: readonly RigLine[];
  floors: Map<string, LineFloor['budget']>;
  chosen: string;
  target: number;
  floorMeter: FloorMeter;
  onChoose: (line: string) => void;
}

/** The lines of a rig with the floor that each should have; on a phone one choice of them. */
export const FloorList = memo(function FloorList({ lines, floors, chosen, target, floorMeter, onChoose }: Props) {
  return (
    <>
      <Box sx={{ display: { xs: 'block', md: 'none' }, px: 2, pt: 1.5 }}>
        <Choice
          label={texts.line}
          value={chosen}
          width={280}
          options={lines.map(({ id, name }) => [id, name])}
          onChoose={onChoose}
        />
      </Box>
      <Box
        component="nav"
        aria-label={texts.lines}
        sx={{
          display: { xs: 'none', md: 'block' },
          borderRight: 1,
          borderColor: 'divider',
          overflowY: 'auto',
          minHeight: 0,
        }}
      >
        {lines.map(({ id, name }) => (
          <FloorRow
            key={id}
            {...{ id, name, target, floorMeter, onChoose }}
            on={id === chosen}
            budget={floors.get(id)}
          />
        ))}
      </Box>
    </>
  );
});

interface RowProps extends Pick<Props, 'target' | 'floorMeter' | 'onChoose'> {
  id: string;
  name: string;
  on: boolean;
  budget: LineFloor['budget'] | undefined;
}

const FloorRow = memo(function FloorRow({ id, name, on, budget, target, floorMeter, onChoose }: RowProps) {
  return (
    <ButtonBase
      aria-current={on ? 'true' : undefined}
      onClick={() => onChoose(id)}
      sx={{
        width: '100%',
        justifyContent: 'flex-start',
        textAlign: 'left',
        flexDirection: 'column',
        alignItems: 'stretch',
        px: 1.5,
        py: 0.75,
        borderBottom: 1,
        borderColor: 'divider',
        borderLeft: 3,
        borderLeftStyle: 'solid',
        borderLeftColor: on ? 'primary.main' : 'transparent',
        bgcolor: on ? 'background.paper' : undefined,
        fontSize: 'body2.fontSize',
        '&:focus-visible': { outlineOffset: -2 },
      }}
    >
      <Box component="span" sx={{ fontWeight: on ? 700 : 500 }}>
        {name}
      </Box>
      <Floor budget={budget} target={target} floorMeter={floorMeter} />
    </ButtonBase>
  );
});

function Floor({
  budget,
  target,
  floorMeter,
}: {
  budget: LineFloor['budget'] | undefined;
  target: number;
  floorMeter: FloorMeter;
}) {
  const text = { component: 'span', sx: { fontSize: 'caption.fontSize', color: 'text.secondary' } } as const;
  if (!budget) return <Box {...text}>…</Box>;
  if ('reason' in budget) return <Box {...text}>{texts.noPrediction}</Box>;
  const over = budget.reads[floorMeter].known > target;
  return (
    <Box component="span" sx={{ fontSize: 'caption.fontSize', color: over ? 'verdict.Watch' : 'text.secondary' }}>
      {over && (
        <Box component="span" role="img" aria-label={texts.aboveTheTarget} sx={{ mr: 0.5 }}>
          ▲
        </Box>
      )}
      {texts.bothFloors(budget.reads[floorMeter].known, budget.reads['a-weighted'].known)}
    </Box>
  );
}
