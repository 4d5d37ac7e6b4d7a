'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { extent, line as curveLine, scaleLinear, scaleLog } from 'd3';
import { useId } from 'react';
import { BEGINS, ENDS, type ActionCourse } from '@/core/rigcheck';
import { quantity } from '@/core/units/format';
import { GridLines } from '@/ui/figures/GridLines';
import { momentChart as texts } from './texts';

const WIDTH = 330;
const HEIGHT = 150;
const MARGIN = { top: 20, right: 10, bottom: 22, left: 54 };

const TICKS: [seconds: number, text: string][] = [
  [1e-4, '0.1 ms'],
  [1e-3, '1 ms'],
  [1e-2, '10 ms'],
  [0.1, '0.1 s'],
  [1, '1 s'],
  [10, '10 s'],
];

interface Props {
  course: ActionCourse;
  of: 'source' | 'inlet';
  title: string;
}

/** One voltage over logarithmic time: as the sheet has it, drawn through, and done wrong, dashed. */
export function MomentChart({ course, of, title }: Props) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const { right, wrong } = course;
  const values = [...right.points, ...wrong.points].map((point) => point[of]);
  const [least = 0, most = 0] = extent(values);
  const x = scaleLog([BEGINS, ENDS], [MARGIN.left, WIDTH - MARGIN.right]);
  const y = scaleLinear(
    [Math.min(0, least), Math.max(most, least + 1e-3, 0)],
    [HEIGHT - MARGIN.bottom, MARGIN.top],
  ).nice(3);
  const path = curveLine<(typeof right.points)[number]>(
    ({ at }) => x(at),
    (point) => y(point[of]),
  );
  const muted = of === 'inlet';
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="h3" component="h3">
        {title}
      </Typography>
      <Box
        component="svg"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-labelledby={id}
        sx={{ width: '100%', maxWidth: 520, display: 'block', fontSize: 12, fontFamily: 'inherit' }}
      >
        <title id={id}>{texts.inOrderUpToHot(title, quantity(right[of], 'V'), muted, quantity(wrong[of], 'V'))}</title>
        <GridLines
          ticks={y.ticks(3)}
          y={y}
          left={MARGIN.left}
          right={WIDTH - MARGIN.right}
          text={(tick) => (tick === 0 ? '0 V' : quantity(tick, 'V'))}
        />
        {TICKS.map(([at, text]) => (
          <text
            key={at}
            x={x(at)}
            y={HEIGHT - 7}
            textAnchor={at === ENDS ? 'end' : 'middle'}
            fill={palette.text.secondary}
          >
            {text}
          </text>
        ))}
        <path
          d={path(wrong.points) ?? ''}
          fill="none"
          stroke={palette.verdict.Stop}
          strokeWidth={1.5}
          strokeDasharray="4 2.5"
        />
        <path
          d={path(right.points) ?? ''}
          fill="none"
          stroke={palette.primary.main}
          strokeWidth={2}
          opacity={muted ? 0.55 : 1}
        />
        <g transform={`translate(${MARGIN.left}, 9)`}>
          <line x1={0} x2={16} y1={0} y2={0} stroke={palette.primary.main} strokeWidth={2} opacity={muted ? 0.55 : 1} />
          <text x={21} y={3.5} fill={palette.text.primary}>
            {texts.inOrder(muted)}
          </text>
          <line
            x1={118}
            x2={134}
            y1={0}
            y2={0}
            stroke={palette.verdict.Stop}
            strokeWidth={1.5}
            strokeDasharray="4 2.5"
          />
          <text x={139} y={3.5} fill={palette.text.primary}>
            {texts.hotPlugged(muted)}
          </text>
        </g>
      </Box>
    </Box>
  );
}
