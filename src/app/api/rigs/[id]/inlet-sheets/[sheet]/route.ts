import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { removeInletSheet } from '@/store/testing';
import { handled, notFound, sameOrigin } from '../../../../handled';
import { numbered } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; sheet: string }> };

/** Takes a sheet of inlets out. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, sheet } = await params;
    if (!removeInletSheet(theStore(), id, numbered(sheet, 'sheet'))) throw notFound(`sheet ${sheet} of this rig`);
    return NextResponse.json({ removed: true });
  });
