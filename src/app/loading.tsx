import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';

/** While a place is being opened. */
export default function LoadingPage() {
  return (
    <MessagePlace title="Opening …">
      <Typography color="textSecondary">The rig is read and solved.</Typography>
    </MessagePlace>
  );
}
