import { handled } from '../handled';
import { Refused } from '@/store/refused';

/** Whatever is asked for below /api and is none of its addresses. */
const nowhere = () =>
  handled(() => {
    throw new Refused(404, 'not-found', 'There is nothing at this address.');
  });

export { nowhere as GET, nowhere as POST, nowhere as PUT, nowhere as DELETE, nowhere as PATCH };
