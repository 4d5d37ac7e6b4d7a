'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { inletFigures } from '@/core/testing';
import type { SavedInletSheet } from '@/store/testing';
import { LocalTime } from '@/ui/shell/LocalTime';
import { ask } from '@/ui/shell/ask';
import { inletsPanel as text } from './texts';

interface Props {
  rig: string;
  sheets: SavedInletSheet[];
  onSheets: (to: SavedInletSheet[]) => void;
  onTold: (message: string) => void;
}

const badIn = ({ readings, means }: SavedInletSheet): string[] =>
  readings.filter((reading) => inletFigures(reading, means).findings.some(({ sure }) => sure)).map(({ name }) => name);

/** Sheets of inlets that were kept, the newest first. */
export function InletsPanel({ rig, sheets, onSheets, onTold }: Props) {
  const remove = async ({ id, name }: SavedInletSheet) => {
    const { failed } = await ask(`/api/rigs/${rig}/inlet-sheets/${id}`, { method: 'DELETE' });
    if (failed) return onTold(text.notRemoved(failed));
    onSheets(sheets.filter((each) => each.id !== id));
    onTold(text.removedTheSheet(name));
  };
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {text.inletSheets}
      </Typography>
      {sheets.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {text.noneYetASheetSays}
        </Typography>
      )}
      <Box component="ul" aria-label={text.inletSheets} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {sheets.map((sheet) => {
          const bad = badIn(sheet);
          return (
            <Box component="li" key={sheet.id} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {sheet.name}
              </Typography>
              <Typography variant="body2">
                {text.inlet(sheet.readings.length)},{' '}
                {bad.length ? text.notRight(bad.join(', ')) : text.noneFailsTheStandard}
              </Typography>
              <Typography variant="caption" color="textSecondary">
                <LocalTime at={sheet.at} />
                {sheet.who && `, ${sheet.who}`}
              </Typography>
              <Box sx={{ display: 'flex', gap: 1 }}>
                <Button
                  component={NextLink}
                  prefetch={false}
                  href={`/test/inlets?rig=${rig}&sheet=${sheet.id}`}
                  sx={{ minHeight: 44, px: 0 }}
                  aria-label={text.printTheSheet(sheet.name)}
                >
                  {text.print}
                </Button>
                <Button
                  onClick={() => void remove(sheet)}
                  sx={{ minHeight: 44 }}
                  aria-label={text.removeTheSheet(sheet.name)}
                >
                  {text.remove}
                </Button>
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
