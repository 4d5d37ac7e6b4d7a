'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { line as path, scaleLinear, scaleLog } from 'd3';
import type { LineResult } from '@/core/check';
import { readings as texts } from './texts';

const SIZE = { width: 270, height: 112, left: 34, right: 6, top: 8, bottom: 20 };

/** Level at the inlet over frequency, against the source's open output. */
export function ResponseChart({
  response,
  lowCut,
}: {
  response: LineResult['readings']['signal']['response'];
  lowCut: number | null;
}) {
  const { palette } = useTheme().vars!;
  const points = response.flatMap(({ frequency, level }) =>
    level === null || level < -120 ? [] : [{ frequency, level }],
  );
  const highest = points.length ? Math.max(...points.map(({ level }) => level)) : 0;
  const top = Math.ceil((highest + 3) / 6) * 6;
  const x = scaleLog()
    .domain([10, 20000])
    .range([SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear()
    .domain([top - 36, top])
    .range([SIZE.height - SIZE.bottom, SIZE.top])
    .clamp(true);
  const draw = path<{ frequency: number; level: number }>(
    (d) => x(d.frequency),
    (d) => y(d.level),
  );
  return (
    <Box component="figure" sx={{ m: 0, width: SIZE.width }}>
      <svg
        width={SIZE.width}
        height={SIZE.height}
        role="img"
        aria-label={lowCut ? texts.responseLowCut(lowCut) : texts.responseOfTheSignalPath}
        style={{ maxWidth: '100%' }}
      >
        {[top, top - 12, top - 24, top - 36].map((level) => (
          <g key={level}>
            <line x1={SIZE.left} x2={SIZE.width - SIZE.right} y1={y(level)} y2={y(level)} stroke={palette.divider} />
            <text x={SIZE.left - 5} y={y(level) + 3.5} textAnchor="end" fontSize={12} fill={palette.text.secondary}>
              {String(level).replace('-', '−')}
            </text>
          </g>
        ))}
        {[
          [20, '20'],
          [100, '100'],
          [1000, '1 k'],
          [10000, '10 k'],
        ].map(([frequency, text]) => (
          <text
            key={frequency}
            x={x(Number(frequency))}
            y={SIZE.height - 6}
            textAnchor="middle"
            fontSize={12}
            fill={palette.text.secondary}
          >
            {text}
          </text>
        ))}
        {lowCut && (
          <line
            x1={x(lowCut)}
            x2={x(lowCut)}
            y1={SIZE.top}
            y2={SIZE.height - SIZE.bottom}
            stroke={palette.verdict.Watch}
            strokeDasharray="3 3"
          />
        )}
        <path d={draw(points) ?? ''} fill="none" stroke={palette.primary.main} strokeWidth={1.8} />
      </svg>
      <Typography
        component="figcaption"
        variant="caption"
        color="textSecondary"
        sx={{ pl: `${SIZE.left}px`, display: 'block' }}
      >
        {texts.frequencyResponseAtTheInlet(lowCut)}
      </Typography>
    </Box>
  );
}
