import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { Clash } from './useKit';
import { clashNotice as texts } from './texts';

interface Props {
  clash: Clash;
  onSettle: (keep: 'mine' | 'theirs') => void;
}

/** What was done to one item here and in another tab, and which of the two is to stand. */
export function ClashNotice({ clash: { name, mine, theirs }, onSettle }: Props) {
  const text = !theirs
    ? texts.wasRemovedInAnotherTab(name)
    : mine
      ? texts.wasChangedInBothTabs(name)
      : texts.wasRemovedHereOnly(name);
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
            {mine ? texts.keepMine : texts.removeItAnyway}
          </Button>
          <Button color="inherit" onClick={() => onSettle('theirs')}>
            {theirs ? texts.useTheOtherTabsVersion : texts.removeItHereToo}
          </Button>
        </>
      }
    >
      {texts.nothingIsLostUntilYou(text)}
    </Alert>
  );
}
