import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';

/** An address that is none of ours, or something that is not there any more. */
export default function NotFoundPage() {
  return (
    <MessagePlace title="There is nothing at this address">
      <Typography>
        It may have been removed, or the address has a slip in it. The places are where they always are.
      </Typography>
    </MessagePlace>
  );
}
