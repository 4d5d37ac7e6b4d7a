'use client';

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import dayjs from 'dayjs';
import { extent, line as curveLine, scaleLinear, scalePoint, scaleTime } from 'd3';
import { useId } from 'react';
import type { FloorMeter } from '@/core/schools/schools';
import { floorAs, type KeptMeasurement } from '@/core/noise/kept';
import { trendOf, type TrendPoint } from '@/core/noise/trend';
import { Legend } from './Legend';
import { GridLines } from '@/ui/figures/GridLines';
import { trendChart as texts } from './texts';

const WIDTH = 288;
const HEIGHT = 134;
const MARGIN = { top: 10, right: 10, bottom: 22, left: 34 };
/** Lower than this is drawn there. */
const LOWEST = -140;

/** How the floor is read, in a word or two. */
const LEGEND: Record<FloorMeter, string> = {
  'as-set': texts.floor,
  'cut-80': texts.floorAbove80Hz,
  'a-weighted': texts.floorAWeighted,
};

interface Props {
  measurements: readonly KeptMeasurement[];
  target: number;
  floorMeter: FloorMeter;
}

const day = (at: string): string => dayjs(at).format('D MMM YYYY');

/**
 * The floors of a line over time, as the target is read and A-weighted, with the target: one after the other, or, where
 * there are many, those of some days together with the range of them.
 */
export function TrendChart({ measurements, target, floorMeter }: Props) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const floors = measurements
    .filter(({ measurement: { reading } }) => reading.usable)
    .map(({ at, measurement: { reading } }) => ({
      at,
      plain: Math.max(LOWEST, floorAs(reading)[floorMeter]),
      weighted: Math.max(LOWEST, reading.aWeightedDbfs),
    }));
  const points = trendOf(floors);
  const [lowest = -100, highest = -50] = extent([
    ...points.flatMap(({ least, most, weighted }) => [least, most, weighted]),
    target,
  ]);
  const across = [MARGIN.left + 8, WIDTH - MARGIN.right - 8];
  const isGrouped = points.length < floors.length;
  const times = scaleTime(
    points.length ? [new Date(points[0].at), new Date(points.at(-1)!.at)] : [new Date(0), new Date(1)],
    across,
  );
  const places = scalePoint(
    points.map((_, n) => n),
    across,
  );
  const x = (point: TrendPoint, n: number): number => (isGrouped ? times(new Date(point.at)) : places(n)!);
  const y = scaleLinear([lowest - 3, highest + 3], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = (of: 'plain' | 'weighted') => curveLine<TrendPoint>(x, (point) => y(point[of]))(points) ?? '';
  const [first, last] = [points[0], points.at(-1)];
  return (
    <>
      <Legend
        unit={texts.dbfs}
        marks={[
          { name: LEGEND[floorMeter], colour: palette.primary.main },
          ...(floorMeter === 'a-weighted'
            ? []
            : [{ name: texts.aWeighted, colour: palette.text.secondary, dash: '4 3' }]),
          { name: texts.acceptable, colour: palette.verdict.Watch, dash: '5 3' },
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
            ? texts.noiseFloors(
                floors.length,
                { ...first, day: day(first.at) },
                { ...last, day: day(last.at) },
                isGrouped,
              )
            : texts.noneOfWhatWasKept}
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
        {points.map((point, n) => (
          <g key={point.at + String(n)} stroke={palette.primary.main}>
            {point.count > 1 && (
              <line x1={x(point, n)} x2={x(point, n)} y1={y(point.least)} y2={y(point.most)} strokeOpacity={0.5} />
            )}
            <circle cx={x(point, n)} cy={y(point.plain)} r={isGrouped ? 2.5 : 3} fill={palette.primary.main} />
          </g>
        ))}
        {first && last && (
          <g fill={palette.text.secondary}>
            <text x={MARGIN.left} y={HEIGHT - 5}>
              {day(first.at)}
            </text>
            {day(last.at) !== day(first.at) && (
              <text x={WIDTH - MARGIN.right} y={HEIGHT - 5} textAnchor="end">
                {day(last.at)}
              </text>
            )}
          </g>
        )}
      </Box>
    </>
  );
}
