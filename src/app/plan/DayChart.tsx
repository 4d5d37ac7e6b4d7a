'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { line as curveLine, scaleLinear } from 'd3';
import { useId, useState } from 'react';
import { dayOnCells, hours, type CellDay, type RunningTime } from '@/core/plan';
import { feedLabel } from '@/core/standards/feeds';
import { GridLines } from '@/ui/figures/GridLines';
import { dayChart as texts } from './texts';

const WIDTH = 720;
const HEIGHT = 200;
const MARGIN = { top: 14, right: 62, bottom: 26, left: 48 };

interface Curve {
  label: string;
  day: CellDay;
  lasts: number;
  now: boolean;
}

/** What is left in the cells over a day, at each voltage that every line accepts, with the changes of cells. */
export function DayChart({ time }: { time: RunningTime }) {
  const { palette } = useTheme().vars!;
  const [begins, setBegins] = useState('10:00');
  const [length, setLength] = useState(String(time.wanted ?? 8));
  const [reserve, setReserve] = useState(String(time.reserve || 0.5));
  const titleId = useId();
  const day = bounded(length, 0.5, 48, 8);
  const left = bounded(reserve, 0, 12, 0.5);
  const start = startOf(begins);
  const curves: Curve[] = [
    { label: texts.now, lasts: time.now.hours, day: dayOnCells(time.now.hours, day, left), now: true },
    ...time.options
      .filter(({ accepted, hours: lasts }) => accepted && Math.abs(lasts - time.now.hours) > 0.01)
      .map(({ feed, hours: lasts }) => ({
        label: feedLabel(feed),
        lasts,
        day: dayOnCells(lasts, day, left),
        now: false,
      })),
  ];
  const x = scaleLinear([0, day], [MARGIN.left, WIDTH - MARGIN.right]);
  const y = scaleLinear([0, 1], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = curveLine<{ at: number; left: number }>(
    (corner) => x(corner.at),
    (corner) => y(corner.left),
  );
  const [present] = curves;
  return (
    <Box component="section" aria-label={texts.batteriesOfOverTheDay(time.name)} sx={{ mt: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 0.5 }}>
        <Typography variant="h3" component="h3" sx={{ mr: 'auto' }}>
          {texts.overTheDay}
        </Typography>
        <TextField
          label={texts.beginsAt}
          type="time"
          value={begins}
          onChange={(event) => setBegins(event.target.value)}
          sx={{ width: 150 }}
        />
        <NumberField label={texts.lastsH} value={length} valid={valid(length, 0.5, 48)} onChange={setLength} />
        <NumberField label={texts.reserveH} value={reserve} valid={valid(reserve, 0, 12)} onChange={setReserve} />
      </Box>
      <Box sx={{ overflowX: 'auto', contain: 'inline-size' }} tabIndex={0} role="group" aria-label={texts.theDay}>
        <Box
          component="svg"
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          role="img"
          aria-labelledby={titleId}
          sx={{
            width: '100%',
            minWidth: WIDTH,
            maxWidth: WIDTH,
            display: 'block',
            fontSize: 12,
            fontFamily: 'inherit',
          }}
        >
          <title id={titleId}>{changesText(present.day, start)}</title>
          <GridLines
            ticks={[0, 0.5, 1]}
            y={y}
            left={MARGIN.left}
            right={WIDTH - MARGIN.right}
            text={(share) => `${100 * share} %`}
          />
          {x
            .ticks(Math.min(8, Math.ceil(day)))
            .filter((tick) => tick <= day)
            .map((tick) => (
              <text key={tick} x={x(tick)} y={HEIGHT - 8} textAnchor="middle" fill={palette.text.secondary}>
                {clock(start + tick)}
              </text>
            ))}
          {left > 0 && left < present.lasts && (
            <g>
              <rect
                x={MARGIN.left}
                width={x(day) - MARGIN.left}
                y={y(left / present.lasts)}
                height={y(0) - y(left / present.lasts)}
                fill={palette.verdict.Watch}
                opacity={0.12}
              />
              <text x={MARGIN.left + 6} y={y(0) - 4} fill={palette.text.secondary}>
                {texts.reserveForTheLastTake}
              </text>
            </g>
          )}
          {curves.toReversed().map(({ label, day: own, now }, n) => {
            const end = own.curve.at(-1)!;
            return (
              <g key={label}>
                <path
                  d={path(own.curve) ?? ''}
                  fill="none"
                  stroke={now ? palette.primary.main : palette.text.secondary}
                  strokeWidth={now ? 2.2 : 1.1}
                  strokeDasharray={now ? undefined : `${6 - n} 3`}
                />
                <text
                  x={x(end.at) + 6}
                  y={y(end.left) + 4}
                  fill={now ? palette.primary.main : palette.text.secondary}
                  fontWeight={now ? 700 : 400}
                >
                  {label}
                </text>
              </g>
            );
          })}
          {present.day.changes.map((at) => (
            <g key={at}>
              <line
                x1={x(at)}
                x2={x(at)}
                y1={MARGIN.top}
                y2={y(0)}
                stroke={palette.primary.main}
                strokeDasharray="2 3"
              />
              <text x={x(at)} y={MARGIN.top - 3} textAnchor="middle" fill={palette.text.primary}>
                {texts.newBatteries(clock(start + at))}
              </text>
            </g>
          ))}
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {changesText(present.day, start)}
        {curves.slice(1).map(({ label, day: own, lasts }) => texts.atASet(label, hours(lasts), sets(own)))}
      </Typography>
    </Box>
  );
}

const sets = ({ sets: count }: CellDay): string => texts.forTheDay(count);

const changesText = (day: CellDay, start: number): string =>
  day.changes.length
    ? texts.asItIsNowNew(sets(day), day.changes.map((at) => clock(start + at)).join(', '))
    : texts.asItIsNowOne;

function NumberField(props: { label: string; value: string; valid: boolean; onChange: (text: string) => void }) {
  const { label, value, valid: good, onChange } = props;
  return (
    <TextField
      label={label}
      value={value}
      error={!good}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 96 }}
    />
  );
}

const amount = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));
const valid = (text: string, min: number, max: number): boolean => amount(text) >= min && amount(text) <= max;
const bounded = (text: string, min: number, max: number, otherwise: number): number =>
  valid(text, min, max) ? amount(text) : otherwise;

const startOf = (text: string): number => {
  const [hour, minute] = text.split(':').map(Number);
  return Number.isFinite(hour) ? hour + (minute || 0) / 60 : 0;
};

const clock = (value: number): string => {
  const minutes = Math.round(value * 60);
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};
