import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { listRevisions } from '@/store/rigs';
import { door, notFound } from '../../../door';

export const GET = (_request: NextRequest, { params }: { params: Promise<{ id: string }> }) =>
  door(async () => {
    const { id } = await params;
    const revisions = listRevisions(theStore(), id);
    if (revisions.length === 0) throw notFound(`rig ${id}`);
    return NextResponse.json({ revisions });
  });
