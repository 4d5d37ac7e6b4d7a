'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { TOOL_PARTS, toolReadings } from '@/core/testing';
import { quantity } from '@/core/units/format';
import { toolsView as text } from './texts';

/** How to make the stick and the load, which cost next to nothing, and what they show on a good inlet. */
export function ToolsView() {
  const readings = useMemo(() => toolReadings(), []);
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, py: 2, maxWidth: 760 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {text.twoLampStick}
      </Typography>
      <Typography>{text.howTheStickIsMade(quantity(TOOL_PARTS.stick, 'Ω'))}</Typography>
      <Typography variant="h2" sx={{ mt: 2, mb: 1 }}>
        {text.testLoad}
      </Typography>
      <Typography>{text.howTheLoadIsMade(quantity(TOOL_PARTS.load, 'Ω'))}</Typography>
      <Typography variant="h2" sx={{ mt: 2 }}>
        {text.onAGoodInlet}
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={text.onAGoodInlet}>
        <Table size="small">
          <TableHead>
            <TableRow>
              {[text.feed, text.open, text.eachLamp, text.acrossTheLoad, text.oneLegShorted].map((head) => (
                <TableCell key={head} align={head === 'Feed' ? 'left' : 'right'}>
                  {head}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {readings.map(({ feed, label, open, lamp, load, short }) => (
              <TableRow key={feed}>
                <TableCell component="th" scope="row">
                  {label}
                </TableCell>
                <TableCell align="right">{quantity(open, 'V')}</TableCell>
                <TableCell align="right">{quantity(lamp, 'A')}</TableCell>
                <TableCell align="right">{quantity(load, 'V')}</TableCell>
                <TableCell align="right">{quantity(short, 'A')}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {text.calculatedForTheStandardsVoltage}
      </Typography>
    </Box>
  );
}
