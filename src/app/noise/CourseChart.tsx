'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { extent, line as curveLine, curveStepAfter, scaleLinear, scaleUtc } from 'd3';
import { useId } from 'react';
import type { Measurement } from '@/core/noise/measurement';
import { timeInText } from '@/core/units/format';
import { GridLines } from '@/ui/figures/GridLines';
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
  // As times, so that a long recording is marked at whole minutes.
  const times = scaleUtc([0, 1000 * every * levels.length], [MARGIN.left, width - MARGIN.right]);
  const x = (seconds: number) => times(1000 * seconds);
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
        {times.ticks(width > 500 ? 8 : 4).map((tick) => (
          <text
            key={+tick}
            x={times(tick)}
            dx={times(tick) > width - MARGIN.right - 6 ? MARGIN.right : 0}
            y={HEIGHT - 7}
            textAnchor={times(tick) > width - MARGIN.right - 6 ? 'end' : 'middle'}
            fill={palette.text.secondary}
          >
            {timeInText(+tick / 1000, 0)}
          </text>
        ))}
        {measurement.reading.disturbances.map(({ code, from, to }) => (
          <rect
            key={`${code} ${from}`}
            x={x(from)}
            width={Math.max(1.5, x(Math.min(to, every * levels.length)) - x(from))}
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
