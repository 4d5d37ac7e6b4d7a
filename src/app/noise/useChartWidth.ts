'use client';

import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';

/** How many units wide a chart is drawn, so that its text is as large as the page's on a phone too. */
export const useChartWidth = (): number => (useMediaQuery(useTheme().breakpoints.down('sm')) ? 380 : 760);
