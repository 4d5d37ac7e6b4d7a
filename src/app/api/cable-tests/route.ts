import { NextResponse, type NextRequest } from 'next/server';
import { cableTable, cableTest, cableTestShape } from '@/core/testing';
import { theStore } from '@/store/database';
import { keepCableTest, loadCableTests } from '@/store/testing';
import { handled, jsonBody, sameOrigin } from '../handled';
import { valid } from '../valid';

export const dynamic = 'force-dynamic';

/** Cables that were tested, the newest first; with `?label=` one of them alone. */
export const GET = (request: NextRequest) =>
  handled(() => {
    const label = request.nextUrl.searchParams.get('label') ?? undefined;
    return NextResponse.json({ tests: loadCableTests(theStore(), label) });
  });

/** Keeps a test of a cable; what was seen has to be what its instruments show. */
export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    const body = valid(cableTestShape, await jsonBody(request));
    cableTest(cableTable(body.connector), body.observations);
    return NextResponse.json(keepCableTest(theStore(), new Date().toISOString(), body), { status: 201 });
  });
