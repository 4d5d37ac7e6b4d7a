'use client';

import Box from '@mui/material/Box';
import { memo } from 'react';
import type { LineResult } from '@/core/check';
import { quantity } from '@/core/units/format';
import { LateView } from '@/ui/shell/Late';
import { readings as texts } from './texts';

const loadChart = () => import('./ResponseChart').then((file) => file.ResponseChart);

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
      <LateView load={loadChart} props={{ response: signal.response, lowCut: signal.lowCut }} height={132} />
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
