import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { Clash } from './useKit';

interface Props {
  clash: Clash;
  onSettle: (keep: 'mine' | 'theirs') => void;
}

/** What was done to one item here and in another tab, and which of the two is to stand. */
export function ClashNotice({ clash: { name, mine, theirs }, onSettle }: Props) {
  const text = !theirs
    ? `${name} was removed in another tab; you have changed it here.`
    : mine
      ? `${name} was changed in another tab too, at the same point.`
      : `${name} was changed in another tab; you have removed it here.`;
  return (
    <Alert
      severity="warning"
      sx={{
        borderRadius: 0,
        py: 0,
        alignItems: 'center',
        '& .MuiAlert-action': { flexWrap: { xs: 'wrap', md: 'nowrap' }, whiteSpace: 'nowrap' },
      }}
      action={
        <>
          <Button color="inherit" onClick={() => onSettle('mine')}>
            {mine ? 'Keep mine' : 'Remove it anyway'}
          </Button>
          <Button color="inherit" onClick={() => onSettle('theirs')}>
            {theirs ? 'Use the other tab’s version' : 'Remove it here too'}
          </Button>
        </>
      }
    >
      {text} Nothing is lost until you choose.
    </Alert>
  );
}
