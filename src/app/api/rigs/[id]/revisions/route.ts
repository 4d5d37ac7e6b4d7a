import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { hasRig, listRevisions } from '@/store/rigs';
import { handled, notFound } from '../../../handled';
import { Refused } from '@/store/refused';

export const dynamic = 'force-dynamic';

const query = Joi.object({
  before: Joi.number().integer().min(1),
  limit: Joi.number().integer().min(1).max(500).default(100),
});

/** Revisions of a rig with what each changed, newest first, a page at a time. */
export const GET = (request: NextRequest, { params }: { params: Promise<{ id: string }> }) =>
  handled(async () => {
    const { id } = await params;
    const { error, value } = query.validate(Object.fromEntries(request.nextUrl.searchParams));
    if (error) throw new Refused(400, 'bad-request', `${error.message}; before is a revision, limit at most 500`);
    if (!hasRig(theStore(), id)) throw notFound(`rig ${id}`);
    const revisions = listRevisions(theStore(), id, value.before, value.limit);
    const last = revisions.at(-1)?.revision ?? 1;
    return NextResponse.json({ revisions, ...(last > 1 && { next: last }) });
  });
