import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { createRig, listRemoved, listRigs } from '@/store/rigs';
import { handled, jsonBody, sameOrigin } from '../handled';
import { Refused } from '@/store/refused';

export const dynamic = 'force-dynamic';

/** The rigs, or with `?removed=1` those that were removed and can be put back. */
export const GET = (request: NextRequest) =>
  handled(() => {
    const removed = request.nextUrl.searchParams.get('removed');
    if (removed !== null && removed !== '1')
      throw new Refused(400, 'bad-request', 'removed=1 lists the removed rigs; without it, those that are there.');
    return NextResponse.json({ rigs: removed === null ? listRigs(theStore()) : listRemoved(theStore()) });
  });

export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    return NextResponse.json(createRig(theStore(), await jsonBody(request)), { status: 201 });
  });
