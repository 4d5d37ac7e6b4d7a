import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { NoiseRemedy } from '@/core/noise/budget';
import { budgetRemedies as text } from './texts';

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
    <Box component="section" aria-label={text.whatWouldHelp} sx={{ mt: 2.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        {text.whatWouldHelp}
      </Typography>
      {(hums || remedies.length === 0) && (
        <Typography variant="body2" sx={{ mb: 0.5 }}>
          {hums ? text.mostOfItIsHum : text.noneOfTheUsualRemedies}
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
                <Button variant="outlined" onClick={() => onApply(remedy)} aria-label={text.doItOf(remedy.label)}>
                  {text.doIt}
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
  if (peak > 0.5) return text.peaksNearer(peak);
  if (usually !== undefined) return text.inAUsualRoom(usually);
  const most = Math.abs(gainsA) >= Math.abs(gains) ? gainsA : gains;
  if (Math.abs(most) < 0.1) return text.nothing;
  return most > 0 ? text.betterSignalToNoise(most) : text.worseSignalToNoise(-most);
}
