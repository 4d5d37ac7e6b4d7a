'use client';

import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { useCallback, useState, type RefCallback } from 'react';

/** As wide as a chart gets, and as narrow, in pixels. */
const MOST = 760;
const LEAST = 280;

/** How wide a chart is drawn: as wide as what it stands in, so that its text is as large as the page's. */
export function useChartWidth(): [RefCallback<SVGSVGElement>, number] {
  const usual = useMediaQuery(useTheme().breakpoints.down('sm')) ? 358 : 640;
  const [width, setWidth] = useState<number>();
  const chart = useCallback((svg: SVGSVGElement) => {
    const seen = new ResizeObserver(([{ contentRect }]) =>
      setWidth(Math.min(MOST, Math.max(LEAST, Math.floor(contentRect.width)))),
    );
    seen.observe(svg.parentElement!);
    return () => seen.disconnect();
  }, []);
  return [chart, width ?? usual];
}
