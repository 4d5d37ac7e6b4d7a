import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { differsNow } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { handled, notFound } from '../../../../handled';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** Lines that are plugged, or may be, otherwise than the rig has them on paper now. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    await followed(theStore(), id, { report: 'adopt', seen: [], asOnPaper: [] });
    const found = differsNow(theStore(), id);
    if (!found) throw notFound(`rig ${id}`);
    return NextResponse.json(found);
  });
