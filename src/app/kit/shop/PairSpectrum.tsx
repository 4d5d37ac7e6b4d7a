'use client';

import Box from '@mui/material/Box';
import { extent, line as curveLine, scaleLinear, scaleLog } from 'd3';
import type { HuntStep } from '@/core/noise/hunt';
import { HzLabels } from '../../noise/HzLabels';
import { useChartWidth } from '../../noise/useChartWidth';
import { pairSpectrum as texts } from './texts';

const HEIGHT = 230;
const MARGIN = { top: 10, right: 12, bottom: 22, left: 44 };
const [FROM, TO] = [16, 20_500];
const INK = '#111';
const GREY = '#666';

type Spectrum = NonNullable<HuntStep['spectrum']>;

/** What was heard with a unit and without it, over frequency; for paper: told apart without colour. */
export function PairSpectrum({ heard, silent }: { heard: Spectrum; silent?: Spectrum }) {
  const [chart, width] = useChartWidth();
  const shown = (spectrum: Spectrum = []) => spectrum.filter(({ hz, level }) => hz >= FROM && hz <= TO && level > -199);
  const [withIt, without] = [shown(heard), shown(silent)];
  const [least = -140, most = -60] = extent([...withIt, ...without], ({ level }) => level);
  const x = scaleLog([FROM, TO], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([least - 3, most + 3], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = curveLine<Spectrum[number]>(
    ({ hz }) => x(hz),
    ({ level }) => y(level),
  );
  return (
    <Box component="figure" sx={{ mx: 0, my: 1.5, breakInside: 'avoid' }}>
      <figcaption>
        {texts.spectrumDbfsPerHertzSolid}
        {without.length > 0 && texts.dashedWithout}
      </figcaption>
      <Box
        component="svg"
        ref={chart}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={texts.spectrumWith(without.length, loudest(withIt, without))}
        sx={{ width: '100%', maxWidth: width, display: 'block', fontSize: 12, fontFamily: 'inherit' }}
      >
        {y.ticks(5).map((tick) => (
          <g key={tick}>
            <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(tick)} y2={y(tick)} stroke="#ccc" />
            <text x={MARGIN.left - 6} y={y(tick) + 4} textAnchor="end" fill={GREY}>
              {String(tick).replace('-', '−')}
            </text>
          </g>
        ))}
        <HzLabels x={x} width={width} right={width - MARGIN.right} y={HEIGHT - 7} fill={GREY} />
        {without.length > 0 && (
          <path d={path(without) ?? ''} fill="none" stroke={GREY} strokeWidth={1.4} strokeDasharray="5 3" />
        )}
        <path d={path(withIt) ?? ''} fill="none" stroke={INK} strokeWidth={1.6} />
      </Box>
    </Box>
  );
}

/** Where the two differ most, in words. */
function loudest(withIt: Spectrum, without: Spectrum): string {
  const more = withIt.map(({ hz, level }) => {
    const other = without.reduce<Spectrum[number] | undefined>(
      (best, each) => (!best || Math.abs(each.hz - hz) < Math.abs(best.hz - hz) ? each : best),
      undefined,
    );
    return { hz, by: level - (other?.level ?? -200) };
  });
  const most = more.reduce((best, each) => (each.by > best.by ? each : best), { hz: 0, by: -Infinity });
  return most.by > 0 && most.by < Infinity ? texts.biggestDifferenceAtHz(Math.round(most.hz)) : texts.noLouder;
}
