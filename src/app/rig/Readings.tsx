'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import { line as path, scaleLinear, scaleLog } from 'd3';
import type { LineResult } from '@/core/check';
import { quantity } from '@/core/units/format';
import { readings as texts } from './texts';

/** What a meter shows on this line, and the response of its signal path. */
export const Readings = memo(function Readings({ result }: { result: LineResult }) {
  const { signal } = result.readings;
  return (
    <Box component="section" aria-label={texts.readings} sx={{ display: 'flex', flexDirection: 'column', gap: 2.5 }}>
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'max-content 1fr',
          columnGap: 2,
          rowGap: 0.4,
          fontSize: 'body2.fontSize',
          alignItems: 'baseline',
        }}
      >
        {rows(result).map(({ label, value, note }) => (
          <Box key={label} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ color: 'text.secondary' }}>
              {label}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              <Box component="span" sx={{ fontWeight: 650 }}>
                {value}
              </Box>
              {note && (
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {' '}
                  {note}
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      <ResponseChart response={signal.response} lowCut={signal.lowCut} />
    </Box>
  );
});

interface Row {
  label: string;
  value: string;
  note?: string;
}

function rows({ readings, moments }: LineResult): Row[] {
  const open = moments?.worse !== undefined;
  const { feeds, supplies, windings, capsules, signal, level } = readings;
  const best = signal.channels.reduce((a, b) => ((b.level ?? -Infinity) > (a.level ?? -Infinity) ? b : a));
  const arrives = best.level !== null && best.level > -100;
  return [
    ...feeds.map(({ feed, amps, legs, limit }) => ({
      label: texts.feed(feed.replace(/^./, (first) => first.toUpperCase())),
      value: quantity(amps, 'A'),
      note: [
        legs.length > 1 && amps > 1e-6 && `(${legs.map((leg) => quantity(leg, 'A')).join(' + ')})`,
        limit !== null && texts.limit(quantity(limit, 'A')),
      ]
        .filter(Boolean)
        .join(', '),
    })),
    ...supplies.map(({ what, volts, pins, reversed, needs, contacts, state, stated }) => ({
      label: texts.at(what),
      value: reversed > 0.05 ? texts.reversed(quantity(reversed, 'V')) : quantity(Math.max(volts, 0), 'V'),
      note:
        state === 'battery'
          ? texts.onRunsOnBattery(contacts)
          : texts.needsOn(contacts, stated, quantity(needs, 'V')) +
            (pins > volts + 0.5 ? texts.theBetterPinReads(quantity(pins, 'V')) : ''),
    })),
    ...capsules.map(({ volts, stands }) => ({
      label: texts.voltageOfTheCapsule,
      value: quantity(volts, 'V'),
      note: texts.ratedFor(quantity(stands, 'V')),
    })),
    ...windings
      .filter(({ part, amps }) => part === 'source' || amps > 1e-6)
      .map(({ what, amps, limit, basis }) => ({
        label: texts.dcThrough(what),
        value: amps < 1e-6 ? (open ? texts.notKnown : texts.none) : quantity(amps, 'A'),
        note: texts.ratedForLimit(quantity(limit, 'A'), basis),
      })),
    {
      label: texts.signalAtTheInlet,
      value: arrives ? quantity(best.level!, 'dB') : texts.nothingArrives,
      note: arrives ? texts.againstTheUnloadedSource1(signal.powered) : undefined,
    },
    {
      label: texts.loadOnTheSource,
      value: signal.load === null ? texts.none : quantity(signal.load, 'Ω'),
      note: signal.load === null ? undefined : texts.at1Khz,
    },
    ...(level
      ? [
          {
            label: texts.gainNeeded,
            value: quantity(level.gainNeeded, 'dB'),
            note: texts.peaksArriveAtThisInlet(
              quantity(level.inlet, 'dBu'),
              quantity(level.gainMin, 'dB').replace(' dB', ''),
              quantity(level.gainMax, 'dB'),
            ),
          },
        ]
      : []),
  ];
}

const SIZE = { width: 270, height: 112, left: 34, right: 6, top: 8, bottom: 20 };

/** Level at the inlet over frequency, against the source's open output. */
function ResponseChart({
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
