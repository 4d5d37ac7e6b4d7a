import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { KEEP_DAYS, keepDays, setKeepDays, sizes, thin, type KeepDays } from '@/store/keeping';
import { handled, validBody } from '../handled';

export const dynamic = 'force-dynamic';

const state = () => NextResponse.json({ days: keepDays(theStore()), choices: KEEP_DAYS, bytes: sizes(theStore()) });

/** How long every revision is kept, and how much there is. */
export const GET = () => handled(state);

const change = Joi.object<{ days: KeepDays }>({ days: Joi.valid(...KEEP_DAYS).required() });

/** Sets how long every revision is kept; what is older is thinned out at once. */
export const PUT = (request: NextRequest) =>
  handled(async () => {
    const { days } = await validBody(request, change, `{ "days": ${KEEP_DAYS.join(' or ')} }`);
    setKeepDays(theStore(), days);
    thin(theStore());
    return state();
  });
