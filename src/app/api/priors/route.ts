import { NextResponse, type NextRequest } from 'next/server';
import { priorsShape } from '@/core/testing';
import { theStore } from '@/store/database';
import { loadPriors, setPriors } from '@/store/testing';
import { handled, validBody } from '../handled';

export const dynamic = 'force-dynamic';

/** What was said otherwise of how often things fail. */
export const GET = () => handled(() => NextResponse.json(loadPriors(theStore())));

/** Says otherwise how often things fail; what is left out counts as in the table. */
export const PUT = (request: NextRequest) =>
  handled(async () => {
    const own = await validBody(request, priorsShape, '{ "cable": { "open": 6 } }, or {} for the table');
    setPriors(theStore(), own);
    return NextResponse.json(own);
  });
