import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';

/** An address that is none of ours, or something that is not there any more. */
export default function NotFoundPage() {
  return (
    <MessagePlace title="There is nothing at this address">
      <Typography>It may have been removed, or there is a typo in the address. Choose a place to go on.</Typography>
    </MessagePlace>
  );
}
