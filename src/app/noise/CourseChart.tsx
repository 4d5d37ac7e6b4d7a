'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { extent, line as curveLine, curveStepAfter, scaleLinear } from 'd3';
import { useId } from 'react';
import type { Measurement } from '@/core/noise/measurement';
import { GridLines } from '@/ui/figures/GridLines';
import { timeMarks } from './timeMarks';
import { useChartWidth } from './useChartWidth';
import { courseChart as texts } from './texts';

const HEIGHT = 120;
const MARGIN = { top: 8, right: 12, bottom: 22, left: 50 };

/** Level over time, in windows of 400 ms or more, with the target. */
export function CourseChart({ measurement, target }: { measurement: Measurement; target: number }) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const [chart, width] = useChartWidth();
  const { every, levels } = measurement.course;
  const shown = levels.map((level) => Math.max(level, -140));
  const [least = -90, most = -60] = extent([...shown, target]);
  const seconds = every * levels.length;
  const x = scaleLinear([0, seconds], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([least - 2, most + 2], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = curveLine<number>(
    (_, n) => x(n * every),
    (level) => y(level),
  ).curve(curveStepAfter);
  const { quietestDbfs, loudestDbfs } = measurement.reading;
  return (
    <Box component="section" aria-label={texts.levelOverTime} sx={{ mt: 1.5 }}>
      <Typography variant="h3" component="h3">
        {texts.levelOverTime}
        {measurement.reading.disturbances.length > 0 && texts.shadedNotTheFloor}
      </Typography>
      <Box
        component="svg"
        ref={chart}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-labelledby={id}
        sx={{ width: '100%', maxWidth: width, display: 'block', fontSize: 12, fontFamily: 'inherit' }}
      >
        <title id={id}>
          {texts.fromToRmsTarget(quietestDbfs, loudestDbfs, target, measurement.reading.disturbances.length)}
        </title>
        <GridLines
          ticks={y.ticks(4)}
          y={y}
          left={MARGIN.left}
          right={width - MARGIN.right}
          text={(tick) => String(tick).replace('-', '−')}
        />
        {timeMarks(seconds, width > 500 ? 6 : 4).map(({ at, text }) => {
          const last = x(at) > width - MARGIN.right - 6;
          return (
            <text
              key={at}
              x={last ? width : x(at)}
              y={HEIGHT - 7}
              textAnchor={last ? 'end' : 'middle'}
              fill={palette.text.secondary}
            >
              {text}
            </text>
          );
        })}
        {measurement.reading.disturbances.map(({ code, from, to }) => (
          <rect
            key={`${code} ${from}`}
            x={x(from)}
            width={Math.max(1.5, x(Math.min(to, seconds)) - x(from))}
            y={MARGIN.top}
            height={HEIGHT - MARGIN.top - MARGIN.bottom}
            fill={palette.text.secondary}
            opacity={0.18}
          />
        ))}
        <line
          x1={MARGIN.left}
          x2={width - MARGIN.right}
          y1={y(target)}
          y2={y(target)}
          stroke={palette.verdict.Watch}
          strokeDasharray="5 3"
        />
        <text x={width - MARGIN.right} y={y(target) - 4} textAnchor="end" fill={palette.verdict.Watch}>
          {texts.target}
        </text>
        <path d={path([...shown, shown.at(-1)!]) ?? ''} fill="none" stroke={palette.primary.main} strokeWidth={1.8} />
      </Box>
    </Box>
  );
}
