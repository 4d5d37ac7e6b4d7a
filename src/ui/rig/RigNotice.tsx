import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { StaleNotice } from './StaleNotice';
import type { useRig } from './useRig';
import { rigNotice as text } from './texts';

/** What somebody else has done to this rig meanwhile, and what to do about it; nothing where nobody has. */
export function RigNotice({ rig }: { rig: ReturnType<typeof useRig> }) {
  const { saving, base, document, both, settle, putBack } = rig;
  if (saving.state === 'stale' || saving.state === 'newer')
    return <StaleNotice saving={saving} base={base} mine={document} both={both} onSettle={settle} />;
  if (saving.state !== 'removed') return null;
  return (
    <Alert
      severity="warning"
      sx={{ borderRadius: 0, py: 0, alignItems: 'center' }}
      action={
        <Button color="inherit" onClick={() => void putBack()}>
          {text.putItBack}
        </Button>
      }
    >
      {text.thisRigWasRemoved} {document === base ? text.nothingHereIsUnsaved : text.yourChangeIsKeptHere}
    </Alert>
  );
}
