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

/** How to make the stick and the load, which cost next to nothing, and what they show on a good inlet. */
export function ToolsView() {
  const readings = useMemo(() => toolReadings(), []);
  return (
    <Box sx={{ px: { xs: 2, md: 3 }, py: 2, maxWidth: 760 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Two-lamp stick
      </Typography>
      <Typography>
        A male XLR plug. From pin 2 to pin 1, and from pin 3 to pin 1, each in series: a resistor of{' '}
        {quantity(TOOL_PARTS.stick, 'Ω')} (quarter watt), a red LED, and a small diode (100 V) the same way round, which
        holds off what comes reversed. Anodes towards pins 2 and 3. Mark which lamp is which. It goes into the stage end
        of a cable; the inlet’s feed lights it.
      </Typography>
      <Typography variant="h2" sx={{ mt: 2, mb: 1 }}>
        Test load
      </Typography>
      <Typography>
        A male XLR plug and a resistor of {quantity(TOOL_PARTS.load, 'Ω')}, 0.1 %, half a watt, on a switch from pin 2
        or pin 3 to pin 1; two sockets across it for the voltmeter. Under load a bad joint shows that lamps and an open
        reading miss. It is safe for every phantom feed; short circuits are not.
      </Typography>
      <Typography variant="h2" sx={{ mt: 2 }}>
        On a good inlet
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="On a good inlet">
        <Table size="small">
          <TableHead>
            <TableRow>
              {['Feed', 'Open', 'Each lamp', 'Across the load', 'One leg shorted'].map((head) => (
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
        Calculated for the standard’s voltage and resistors; a feed may be off by its tolerance (48 V: ± 4 V), both legs
        alike. Plug anything in with the feed off, muted, monitors down, headphones off.
      </Typography>
    </Box>
  );
}
