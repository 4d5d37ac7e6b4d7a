'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { extent, line as curveLine, scaleLinear, scalePoint } from 'd3';
import { useId } from 'react';
import type { FloorMeter } from '@/core/schools/schools';
import { floorAs, type KeptMeasurement } from '@/core/noise/kept';
import { quantity } from '@/core/units/format';
import { Legend } from './Legend';
import { GridLines } from '@/ui/figures/GridLines';

const WIDTH = 288;
const HEIGHT = 120;
const MARGIN = { top: 10, right: 10, bottom: 8, left: 34 };

/** How the floor is read, in a word or two. */
const LEGEND: Record<FloorMeter, string> = {
  'as-set': 'floor',
  'cut-80': 'floor above 80 Hz',
  'a-weighted': 'floor, A-weighted',
};

interface Props {
  measurements: readonly KeptMeasurement[];
  target: number;
  floorMeter: FloorMeter;
}

/** The floors of a line one after the other, as the target is read and A-weighted, with the target. */
export function TrendChart({ measurements, target, floorMeter }: Props) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const points = measurements.map(({ id: key, measurement: { reading } }) => ({
    key: String(key),
    plain: floorAs(reading)[floorMeter],
    weighted: reading.aWeightedDbfs,
    usable: reading.usable,
  }));
  const usable = points.filter((point) => point.usable);
  const [least = -100, most = -50] = extent(
    [...points.flatMap(({ plain, weighted }) => [plain, weighted]), target].map((level) => Math.max(level, -140)),
  );
  const x = scalePoint(
    points.map(({ key }) => key),
    [MARGIN.left, WIDTH - MARGIN.right],
  ).padding(0.4);
  const y = scaleLinear([least - 3, most + 3], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = (of: 'plain' | 'weighted') =>
    curveLine<(typeof points)[number]>(
      ({ key }) => x(key)!,
      (point) => y(point[of]),
    )(usable) ?? '';
  const [first, last] = [usable[0], usable.at(-1)];
  return (
    <>
      <Legend
        unit="dBFS"
        marks={[
          { name: LEGEND[floorMeter], colour: palette.primary.main },
          ...(floorMeter === 'a-weighted' ? [] : [{ name: 'A-weighted', colour: palette.text.secondary, dash: '4 3' }]),
          { name: 'acceptable', colour: palette.verdict.Watch, dash: '5 3' },
        ]}
      />
      <Box
        component="svg"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-labelledby={id}
        sx={{ width: '100%', display: 'block', fontSize: 12, fontFamily: 'inherit', mb: 1 }}
      >
        <title id={id}>
          {first && last
            ? `${usable.length} noise floors, from ${quantity(first.plain, 'dBFS')} at first to ${quantity(last.plain, 'dBFS')} at last; A-weighted from ${quantity(first.weighted, 'dBFS')} to ${quantity(last.weighted, 'dBFS')}.`
            : 'None of what was kept is a noise floor.'}
        </title>
        <GridLines
          ticks={y.ticks(4)}
          y={y}
          left={MARGIN.left}
          right={WIDTH - MARGIN.right}
          text={(tick) => String(tick).replace('-', '−')}
        />
        <line
          x1={MARGIN.left}
          x2={WIDTH - MARGIN.right}
          y1={y(target)}
          y2={y(target)}
          stroke={palette.verdict.Watch}
          strokeDasharray="5 3"
        />
        <path d={path('plain')} fill="none" stroke={palette.primary.main} strokeWidth={1.8} />
        <path
          d={path('weighted')}
          fill="none"
          stroke={palette.text.secondary}
          strokeWidth={1.4}
          strokeDasharray="4 3"
        />
        {points.map(({ key, plain, usable: good }) => (
          <circle
            key={key}
            cx={x(key)}
            cy={y(Math.max(plain, -140))}
            r={3}
            fill={good ? palette.primary.main : 'none'}
            stroke={palette.primary.main}
          />
        ))}
      </Box>
    </>
  );
}
