import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { createRig, listRigs } from '@/store/rigs';
import { door, jsonBody, sameOrigin } from '../door';

export const dynamic = 'force-dynamic';

export const GET = () => door(() => NextResponse.json({ rigs: listRigs(theStore()) }));

export const POST = (request: NextRequest) =>
  door(async () => {
    sameOrigin(request);
    return NextResponse.json(createRig(theStore(), await jsonBody(request)), { status: 201 });
  });
