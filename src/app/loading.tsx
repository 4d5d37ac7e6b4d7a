import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';

/** While a place is being opened. */
export default function LoadingPage() {
  return (
    <MessagePlace title="Opening …">
      <Typography color="textSecondary">Reading the rig.</Typography>
    </MessagePlace>
  );
}
