import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadRefused } from '@/store/rigs';
import { handled, notFound } from '../../../../handled';

/** What a save held that was refused because somebody else had saved in between. */
export const GET = (_request: NextRequest, { params }: { params: Promise<{ id: string; refused: string }> }) =>
  handled(async () => {
    const { id, refused } = await params;
    const document = /^\d{1,9}$/.test(refused) ? loadRefused(theStore(), id, Number(refused)) : undefined;
    if (!document) throw notFound(`refused save ${refused} of rig ${id}`);
    return NextResponse.json({ document });
  });
