import Typography from '@mui/material/Typography';
import { MessagePlace } from '@/ui/shell/MessagePlace';
import { notFound as text } from './texts';

/** An address that is none of ours, or something that is not there any more. */
export default function NotFoundPage() {
  return (
    <MessagePlace title={text.thereIsNothing}>
      <Typography>{text.itMayHaveBeenRemoved}</Typography>
    </MessagePlace>
  );
}
