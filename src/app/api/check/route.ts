import { NextResponse, type NextRequest } from 'next/server';
import { checkRig, fullRigResult } from '@/core/check';
import { readDocument } from '@/core/rig';
import { door, jsonBody, sameOrigin } from '../door';

/** Checks a rig: everything about every line, or with `?brief` verdicts, findings and readings alone. */
export const POST = (request: NextRequest) =>
  door(async () => {
    sameOrigin(request);
    const rig = readDocument(await jsonBody(request));
    const brief = request.nextUrl.searchParams.has('brief');
    return NextResponse.json(brief ? checkRig(rig) : fullRigResult(rig));
  });
