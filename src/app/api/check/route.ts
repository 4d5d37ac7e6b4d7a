import { NextResponse, type NextRequest } from 'next/server';
import { rigResult } from '@/core/check';
import { readDocument, schoolsOf } from '@/core/rig';
import { door, jsonBody, sameOrigin } from '../door';

export const POST = (request: NextRequest) =>
  door(async () => {
    sameOrigin(request);
    const rig = readDocument(await jsonBody(request));
    return NextResponse.json(rigResult(rig, schoolsOf(rig)));
  });
