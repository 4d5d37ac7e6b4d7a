import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';
import { loading as text } from './texts';

/** While a place is being opened. */
export default function LoadingPage() {
  return (
    <MessagePlace title={text.opening}>
      <Typography color="textSecondary">{text.readingTheRig}</Typography>
    </MessagePlace>
  );
}
