import { NextResponse, type NextRequest } from 'next/server';
import { fullRigResult } from '@/core/check';
import { readDocument } from '@/core/rig';
import { door, jsonBody, sameOrigin } from '../door';

export const POST = (request: NextRequest) =>
  door(async () => {
    sameOrigin(request);
    return NextResponse.json(fullRigResult(readDocument(await jsonBody(request))));
  });
