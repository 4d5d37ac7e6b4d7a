import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { COMPONENTS } from '@/core/noise/components';
import { CAUTIONS, type Account, type Suspect } from '@/core/noise/hunt';
import { rms, type SineReads } from './scales';

interface Props {
  accounts: readonly Account[];
  suspects: readonly Suspect[];
  sine: SineReads;
  /** Nothing more would be learned. */
  done: boolean;
}

/** Who makes what, loudest first, and what usually mends it. */
export function AccountList({ accounts, suspects, sine, done }: Props) {
  const nameOf = (id: string) => suspects.find((suspect) => suspect.id === id)?.name ?? id;
  return (
    <Box component="section" aria-label="The account" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {done ? 'The account' : 'So far'}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {accounts.map(({ component, culprits, dbfs, certainty, mendings }, n) => (
          <Box
            component="li"
            key={`${component} ${culprits.join()}`}
            sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}
          >
            <Typography sx={{ fontWeight: 650 }}>
              {n + 1}. {culprits.length === 0 ? 'None of the suspects' : culprits.map(nameOf).join(' together with ')}
              {culprits.length === 2 && ' – a loop: only both together'}
            </Typography>
            <Typography variant="body2">
              {COMPONENTS[component].replace(/^./, (letter) => letter.toUpperCase())}, {rms(dbfs, sine)}
              {culprits.length > 0 && `; ${Math.min(99, Math.round(100 * certainty))} % sure`}
            </Typography>
            <Box component="ul" sx={{ m: 0, mt: 0.25, pl: 2.5, fontSize: '0.8125rem' }}>
              {mendings.map((mending) => (
                <li key={mending}>{mending}</li>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
      <Typography variant="body2" sx={{ mt: 1, fontWeight: 600 }}>
        {CAUTIONS.join(' ')}
      </Typography>
    </Box>
  );
}
