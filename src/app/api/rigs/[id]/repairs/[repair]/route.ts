import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { takeRepairBack } from '@/store/testing';
import { handled, notFound, sameOrigin } from '../../../../handled';
import { numbered } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; repair: string }> };

/** Takes back what was said to have helped: it counts no more, and the log says so. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, repair } = await params;
    if (!takeRepairBack(theStore(), id, numbered(repair, 'repair'), new Date().toISOString()))
      throw notFound(`repair ${repair} of this rig`);
    return NextResponse.json({ removed: true });
  });
