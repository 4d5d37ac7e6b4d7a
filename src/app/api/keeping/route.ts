import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { KEEP_DAYS, keepDays, setKeepDays, sizes, thin } from '@/store/keeping';
import { door, jsonBody, Refused, sameOrigin } from '../door';

export const dynamic = 'force-dynamic';

const state = () => NextResponse.json({ days: keepDays(theStore()), choices: KEEP_DAYS, bytes: sizes(theStore()) });

/** How long every revision is kept, and how much there is. */
export const GET = () => door(state);

const change = Joi.object({ days: Joi.valid(...KEEP_DAYS).required() });

/** Sets how long every revision is kept; what is older is thinned out at once. */
export const PUT = (request: NextRequest) =>
  door(async () => {
    sameOrigin(request);
    const { error, value } = change.validate(await jsonBody(request), { convert: false });
    if (error) throw new Refused(400, 'bad-request', `${error.message}; send { "days": ${KEEP_DAYS.join(' or ')} }`);
    setKeepDays(theStore(), value.days);
    thin(theStore());
    return state();
  });
