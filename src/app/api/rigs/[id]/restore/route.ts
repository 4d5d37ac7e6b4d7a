import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { restoreRig } from '@/store/rigs';
import { door, notFound, sameOrigin } from '../../../door';

type Context = { params: Promise<{ id: string }> };

/** Puts a removed rig back. */
export const POST = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { id } = await params;
    if (!restoreRig(theStore(), id)) throw notFound(`removed rig ${id}`);
    return NextResponse.json({ id });
  });
