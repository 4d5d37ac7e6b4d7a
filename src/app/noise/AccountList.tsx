import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { COMPONENTS } from '@/core/noise/components';
import { CAUTIONS, LOOPS, type Account, type Suspect } from '@/core/noise/hunt';
import { rms, type SineReads } from './scales';
import { worded } from '@/core/units/conventions';
import { accountList as text } from './texts';

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
  suspects: text.noneOfTheSuspects,
  stays: text.itStaysWithEverythingOff,
  'comes and goes': text.nobodyHereItComes,
  'does not fit': text.somethingElseNoSet,
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
    <Box component="section" aria-label={text.result} sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {done ? text.result : text.soFar}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {accounts.map(({ component, cause, culprits, dbfs, certainty, mendings }, n) => (
          <Box
            component="li"
            key={`${component} ${cause} ${culprits.join()}`}
            sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}
          >
            <Typography sx={{ fontWeight: 650 }}>
              {n + 1}. {culprits.length === 0 ? NOBODY[cause] : culprits.map(nameOf).join(text.togetherWith)}
              {culprits.length === 2 && text.aLoopNeedsBoth}
              {culprits.length === 3 && text.aLoopOnlyAllThree}
              {culprits.length > 0 && cause === 'comes and goes' && text.butNotAlwaysWhen}
              {culprits.length === 1 && mayLoop(component, culprits[0]) && text.aloneOrInALoop(stays.join(', '))}
            </Typography>
            <Typography variant="body2">
              {text.sure(
                COMPONENTS[component].replace(/^./, (letter) => letter.toUpperCase()),
                rms(dbfs, sine),
                Math.min(99, Math.round(100 * certainty)),
              )}
            </Typography>
            <Box component="ul" sx={{ m: 0, mt: 0.25, pl: 2.5, fontSize: 'body2.fontSize' }}>
              {mendings.map((mending) => (
                <li key={mending}>{worded(mending)}</li>
              ))}
            </Box>
            {onShop && done && culprits.length === 1 && cause === 'suspects' && (
              <Button
                size="small"
                onClick={() => onShop(culprits[0])}
                aria-label={text.forTheRepairShopOn(nameOf(culprits[0]), component)}
              >
                {text.forTheRepairShop}
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {open.length > 0 && (
        <Box component="ul" aria-label={text.whatIsNotKnown} sx={{ m: 0, mt: 1, pl: 2.5, fontSize: 'body2.fontSize' }}>
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
