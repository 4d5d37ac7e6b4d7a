'use client';

import Button from '@mui/material/Button';
import { printButton as text } from './texts';

/** Prints the page, or lets the browser save it as PDF. Not on the paper itself. */
export function PrintButton() {
  return (
    <Button variant="contained" onClick={() => window.print()} sx={{ '@media print': { display: 'none' } }}>
      {text.printOrSaveAsPdf}
    </Button>
  );
}
