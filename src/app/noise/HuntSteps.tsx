import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { COMPONENT_NAMES, INAUDIBLE } from '@/core/noise/components';
import type { Hunt } from '@/core/noise/hunt';
import { ofPower } from '@/core/signal';
import { digits } from '@/core/units/format';
import { huntSteps as text } from './texts';

/** A change of a component that is told, in dB. */
const TOLD = 3;

/** Every measurement of a hunt: who was off, and hum, buzz, tones and hiss apart, with what changed. */
export function HuntSteps({ hunt: { suspects, steps } }: { hunt: Hunt }) {
  if (steps.length === 0) return null;
  const offText = (on: readonly string[]) => {
    const off = suspects.filter(({ id }) => !on.includes(id)).map(({ name }) => name);
    if (off.length === 0) return text.everythingOn;
    const kept = suspects.filter(({ id }) => on.includes(id)).map(({ name }) => name);
    return kept.length < off.length ? text.on(kept.join(', ') || text.nothing) : text.off(off.join(', '));
  };
  return (
    <Box component="section" aria-label={text.measurements} tabIndex={0} sx={{ mt: 2.5, overflowX: 'auto' }}>
      <Typography variant="h3" component="h3">
        {text.measurementsDbfs}
      </Typography>
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          fontSize: 'body2.fontSize',
          '& td, & th': {
            py: 0.4,
            px: 0.5,
            borderTop: 1,
            borderColor: 'divider',
            verticalAlign: 'top',
            fontWeight: 400,
          },
          '& td, & thead th + th + th': { textAlign: 'right', whiteSpace: 'nowrap' },
        }}
      >
        <thead>
          <tr>
            <th aria-label={text.number} />
            <Box component="th" sx={{ textAlign: 'left' }}>
              {text.who}
            </Box>
            {COMPONENT_NAMES.map((name) => (
              <th key={name}>{name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {steps.map(({ on, components }, n) => (
            <tr key={n}>
              <td>{n + 1}</td>
              <Box component="th" scope="row" sx={{ textAlign: 'left', minWidth: 160 }}>
                {offText(on)}
              </Box>
              {COMPONENT_NAMES.map((name) => {
                const level = ofPower(components[name]);
                const before = n > 0 ? ofPower(steps[n - 1].components[name]) : level;
                const moved = Math.max(level, INAUDIBLE) - Math.max(before, INAUDIBLE);
                return (
                  <Box
                    component="td"
                    key={name}
                    sx={{ fontWeight: `${Math.abs(moved) > TOLD ? 700 : 400} !important` }}
                  >
                    {level <= INAUDIBLE ? '–' : digits(level, 1)}
                    {Math.abs(moved) > TOLD && (moved > 0 ? ' ▲' : ' ▼')}
                  </Box>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
