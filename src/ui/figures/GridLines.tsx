'use client';

import { useTheme } from '@mui/material/styles';

interface Props {
  ticks: readonly number[];
  y: (value: number) => number;
  left: number;
  right: number;
  text: (tick: number) => string;
}

/** The hairlines of a chart's upright axis, each with its figure. */
export function GridLines({ ticks, y, left, right, text }: Props) {
  const { palette } = useTheme().vars!;
  return ticks.map((tick) => (
    <g key={tick}>
      <line x1={left} x2={right} y1={y(tick)} y2={y(tick)} stroke={palette.divider} />
      <text x={left - 5} y={y(tick) + 3.5} textAnchor="end" fill={palette.text.secondary}>
        {text(tick)}
      </text>
    </g>
  ));
}
