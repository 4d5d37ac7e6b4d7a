import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { restoreRig } from '@/store/rigs';
import { handled, notFound, sameOrigin } from '../../../handled';

type Context = { params: Promise<{ id: string }> };

/** Puts a removed rig back. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    if (!restoreRig(theStore(), id)) throw notFound(`removed rig ${id}`);
    return NextResponse.json({ id });
  });
