import { NextResponse, type NextRequest } from 'next/server';
import { DocumentError } from '@/core/rig';
import { heavily } from '@/threads/pool';
import { handled, jsonBody, sameOrigin } from '../handled';

/** Checks a rig: everything about every line, or with `?brief` verdicts, findings and readings alone. */
export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    const body = await jsonBody(request);
    const found = await heavily('check', { body, brief: request.nextUrl.searchParams.has('brief') }, request.signal);
    if ('refusals' in found) throw new DocumentError(found.refusals);
    return new NextResponse(found.json, { headers: { 'content-type': 'application/json' } });
  });
