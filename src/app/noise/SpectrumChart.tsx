'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { extent, line as curveLine, scaleLinear, scaleLog } from 'd3';
import { useId } from 'react';
import type { Measurement } from '@/core/noise/measurement';
import { digits } from '@/core/units/format';
import { GridLines } from '@/ui/figures/GridLines';
import { HzLabels } from './HzLabels';
import { Legend } from './Legend';
import { useChartWidth } from './useChartWidth';
import { spectrumChart as texts } from './texts';

const HEIGHT = 250;
const MARGIN = { top: 10, right: 12, bottom: 22, left: 50 };
const [FROM, TO] = [16, 20_500];

interface Props {
  measurement: Measurement;
  /** Mean square per hertz. */
  predicted?: readonly { hz: number; power: number }[];
}

/** The density of a recording over the one predicted; mains and tones marked where they stand. */
export function SpectrumChart({ measurement, predicted }: Props) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const [chart, width] = useChartWidth();
  const { reading } = measurement;
  const measured = measurement.spectrum.filter(({ hz, level }) => hz >= FROM && hz <= TO && level > -199);
  const expected = (predicted ?? [])
    .filter(({ power }) => power > 0)
    .map(({ hz, power }) => ({ hz, level: 10 * Math.log10(power) }));
  const [least = -140, most = -60] = extent([...measured, ...expected], ({ level }) => level);
  const x = scaleLog([FROM, TO], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([least - 3, most + 3], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = curveLine<{ hz: number; level: number }>(
    ({ hz }) => x(hz),
    ({ level }) => y(level),
  );
  const harmonics = reading.mains?.harmonics ?? [];
  const tones = reading.tones.filter(({ hz }) => hz >= FROM && hz <= TO).slice(0, 8);
  const summary = [
    texts.spectrumDbfsPerHertz,
    harmonics.length
      ? texts.mainsAtHzWithLines(
          digits(reading.mains!.frequencyHz, 2),
          harmonics.length,
          Math.max(...harmonics.map(({ dbfs }) => dbfs)),
        )
      : texts.noMainsFound,
    tones.length ? texts.tonesAt(tones.map(({ hz }) => `${Math.round(hz)} Hz`).join(', ')) : '',
  ]
    .join(' ')
    .trim();
  return (
    <Box component="section" aria-label={texts.spectrum} sx={{ mt: 2 }}>
      <Typography variant="h3" component="h3">
        {texts.spectrum}
      </Typography>
      <Legend
        unit={texts.dbfsPerHertz}
        marks={[
          { name: texts.measured, colour: palette.primary.main },
          ...(expected.length ? [{ name: texts.predicted, colour: palette.text.primary, dash: '5 3' }] : []),
          ...(harmonics.length
            ? [
                {
                  name: texts.mainsHzAndMultiples(digits(reading.mains!.frequencyHz, 2)),
                  colour: palette.verdict.Watch,
                },
              ]
            : []),
          ...(tones.length
            ? [
                {
                  name: texts.tonesHz(
                    tones
                      .slice(0, 4)
                      .map(({ hz }) => Math.round(hz))
                      .join(', '),
                  ),
                  colour: palette.verdict.Silent,
                  dash: '3 2',
                },
              ]
            : []),
        ]}
      />
      <Box
        component="svg"
        ref={chart}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-labelledby={id}
        sx={{ width: '100%', maxWidth: width, display: 'block', fontSize: 12, fontFamily: 'inherit' }}
      >
        <title id={id}>{summary}</title>
        <GridLines
          ticks={y.ticks(6)}
          y={y}
          left={MARGIN.left}
          right={width - MARGIN.right}
          text={(tick) => String(tick).replace('-', '−')}
        />
        <HzLabels x={x} width={width} right={width - MARGIN.right} y={HEIGHT - 7} fill={palette.text.secondary} />
        {harmonics.map(({ order, hz }) => (
          <line
            key={order}
            x1={x(hz)}
            x2={x(hz)}
            y1={MARGIN.top - 4}
            y2={HEIGHT - MARGIN.bottom}
            stroke={palette.verdict.Watch}
            strokeWidth={order === 1 ? 1.4 : 0.8}
            opacity={0.5}
          />
        ))}
        {tones.map(({ hz }) => (
          <line
            key={hz}
            x1={x(hz)}
            x2={x(hz)}
            y1={MARGIN.top - 4}
            y2={HEIGHT - MARGIN.bottom}
            stroke={palette.verdict.Silent}
            strokeDasharray="3 2"
            opacity={0.7}
          />
        ))}
        <path d={path(measured) ?? ''} fill="none" stroke={palette.primary.main} strokeWidth={1.5} />
        {expected.length > 0 && (
          <path
            d={path(expected) ?? ''}
            fill="none"
            stroke={palette.text.primary}
            strokeWidth={1.6}
            strokeDasharray="6 4"
          />
        )}
      </Box>
    </Box>
  );
}
