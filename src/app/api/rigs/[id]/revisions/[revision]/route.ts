import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadRig } from '@/store/rigs';
import { handled, notFound } from '../../../../handled';

export const GET = (_request: NextRequest, { params }: { params: Promise<{ id: string; revision: string }> }) =>
  handled(async () => {
    const { id, revision } = await params;
    const rig = /^\d{1,9}$/.test(revision) ? loadRig(theStore(), id, Number(revision)) : undefined;
    if (!rig) throw notFound(`revision ${revision} of rig ${id}`);
    return NextResponse.json(rig);
  });
