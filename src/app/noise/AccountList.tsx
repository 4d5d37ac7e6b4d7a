import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { COMPONENTS } from '@/core/noise/components';
import { CAUTIONS, LOOPS, type Account, type Suspect } from '@/core/noise/hunt';
import { rms, type SineReads } from './scales';
import { worded } from '@/core/units/conventions';

interface Props {
  accounts: readonly Account[];
  /** What is not known, in sentences. */
  open: readonly string[];
  suspects: readonly Suspect[];
  sine: SineReads;
  /** Nothing more would be learned. */
  done: boolean;
  /** A unit that disturbs by itself goes to the shop. */
  onShop?: (suspect: string) => void;
}

/** Where no suspect has a part in it. */
const NOBODY: Record<Account['cause'], string> = {
  suspects: 'None of the suspects',
  stays: 'It stays with everything off that may go: the line itself, or what stays on',
  'comes and goes': 'Nobody here: it comes and goes by itself',
  'does not fit': 'Something else: no set of these suspects goes with what was measured',
};

/** Who makes what, loudest first, and what usually mends it. */
export function AccountList({ accounts, open, suspects, sine, done, onShop }: Props) {
  const stays = suspects.filter(({ fixed, kind }) => fixed && kind === 'audio device').map(({ name }) => name);
  const mayLoop = (component: Account['component'], id: string) =>
    stays.length > 0 &&
    (component === 'hum' || component === 'buzz') &&
    LOOPS.has(suspects.find((suspect) => suspect.id === id)?.kind ?? 'lamp');
  const nameOf = (id: string) => suspects.find((suspect) => suspect.id === id)?.name ?? id;
  return (
    <Box component="section" aria-label="Result" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {done ? 'Result' : 'So far'}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {accounts.map(({ component, cause, culprits, dbfs, certainty, mendings }, n) => (
          <Box
            component="li"
            key={`${component} ${cause} ${culprits.join()}`}
            sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}
          >
            <Typography sx={{ fontWeight: 650 }}>
              {n + 1}. {culprits.length === 0 ? NOBODY[cause] : culprits.map(nameOf).join(' together with ')}
              {culprits.length === 2 && ' – a loop: needs both'}
              {culprits.length === 3 && ' – a loop: only all three together'}
              {culprits.length > 0 && cause === 'comes and goes' && ' – but not always when it is on'}
              {culprits.length === 1 &&
                mayLoop(component, culprits[0]) &&
                ` – alone, or in a loop with what stays on (${stays.join(', ')})`}
            </Typography>
            <Typography variant="body2">
              {COMPONENTS[component].replace(/^./, (letter) => letter.toUpperCase())}, {rms(dbfs, sine)}
              {`; ${Math.min(99, Math.round(100 * certainty))} % sure`}
            </Typography>
            <Box component="ul" sx={{ m: 0, mt: 0.25, pl: 2.5, fontSize: '0.8125rem' }}>
              {mendings.map((mending) => (
                <li key={mending}>{worded(mending)}</li>
              ))}
            </Box>
            {onShop && done && culprits.length === 1 && cause === 'suspects' && (
              <Button
                size="small"
                onClick={() => onShop(culprits[0])}
                aria-label={`For the repair shop: ${nameOf(culprits[0])}, ${component}`}
              >
                For the repair shop
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {open.length > 0 && (
        <Box component="ul" aria-label="What is not known" sx={{ m: 0, mt: 1, pl: 2.5, fontSize: '0.8125rem' }}>
          {open.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </Box>
      )}
      <Typography variant="body2" sx={{ mt: 1, fontWeight: 600 }}>
        {CAUTIONS.join(' ')}
      </Typography>
    </Box>
  );
}
