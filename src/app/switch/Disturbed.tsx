import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { SheetRig } from '@/core/runsheet';
import { disturbed as texts } from './texts';

/** So many names leave room for the step below them; one more takes no more room than saying so. */
const FEW = 4;

/** Lines that are muted or lose their power during a sheet: some of them by name, the others where they are asked for. */
export function Disturbed({ rig, lines }: { rig: SheetRig; lines: readonly string[] }) {
  const [all, setAll] = useState(false);
  const names = lines.flatMap((id) => rig.lines.find((line) => line.id === id)?.name ?? []);
  const many = names.length > FEW + 1;
  return (
    <Typography component="div" variant="body2" sx={{ px: { xs: 2, md: 4 }, mt: 1, color: 'text.secondary' }}>
      {texts.during((all || !many ? names : names.slice(0, FEW)).join(', '))}{' '}
      {many && (
        <Button
          aria-expanded={all}
          onClick={() => setAll(!all)}
          sx={{ p: 0, minWidth: 44, minHeight: { xs: 44, md: 0 }, font: 'inherit', verticalAlign: 'baseline' }}
        >
          {all ? texts.fewer : texts.andMore(names.length - FEW)}
        </Button>
      )}
    </Typography>
  );
}
