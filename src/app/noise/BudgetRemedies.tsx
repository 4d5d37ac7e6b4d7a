import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { NoiseRemedy } from '@/core/noise/budget';
import { quantity } from '@/core/units/format';

/** What would better the floor of a line, with what each is worth. */
export function BudgetRemedies({
  remedies,
  hums,
  onApply,
}: {
  remedies: NoiseRemedy[];
  hums: boolean;
  onApply: (remedy: NoiseRemedy) => void;
}) {
  return (
    <Box component="section" aria-label="What would help" sx={{ mt: 2.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        What would help
      </Typography>
      {(hums || remedies.length === 0) && (
        <Typography variant="body2" sx={{ mb: 0.5 }}>
          {hums
            ? 'Most of it is hum. A hunt finds who makes it; what helps against it, and by how much, is in the Mains tab.'
            : 'None of the usual remedies would gain anything here.'}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {remedies.map((remedy) => (
          <Box
            component="li"
            key={remedy.label}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr auto', md: '1fr 150px 86px' },
              alignItems: 'center',
              gap: 1,
              py: 0.5,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Box>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                {remedy.label}
              </Typography>
              {remedy.note && (
                <Typography variant="caption" color="textSecondary">
                  {remedy.note}
                </Typography>
              )}
            </Box>
            <Typography variant="body2" sx={{ textAlign: 'right', whiteSpace: { md: 'nowrap' } }}>
              {gained(remedy)}
            </Typography>
            <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' }, textAlign: 'right' }}>
              {remedy.edits && (
                <Button variant="outlined" onClick={() => onApply(remedy)} aria-label={`Do it: ${remedy.label}`}>
                  Do it
                </Button>
              )}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** What a remedy is worth, in the figure that it changes most. */
function gained({ gainsA, gains, peak, usually }: NoiseRemedy): string {
  if (peak > 0.5) return `peaks ${quantity(peak, 'dB')} nearer`;
  if (usually !== undefined) return `${quantity(usually, 'dB')} in a usual room`;
  const most = Math.abs(gainsA) >= Math.abs(gains) ? gainsA : gains;
  if (Math.abs(most) < 0.1) return 'nothing';
  return most > 0 ? `${quantity(most, 'dB')} better signal-to-noise` : `${quantity(-most, 'dB')} worse signal-to-noise`;
}
