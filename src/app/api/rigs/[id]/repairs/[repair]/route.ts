import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { setRepairEnd, takeRepairBack } from '@/store/testing';
import { handled, notFound, sameOrigin, validBody } from '../../../../handled';
import { numbered } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; repair: string }> };

const where = Joi.object<{ end: 'source' | 'inlet' }>({ end: Joi.valid('source', 'inlet').required() });

/** Says which end of the part it was at, once somebody has looked. */
export const PUT = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { end } = await validBody(request, where, '{ "end": "source" } or { "end": "inlet" }');
    const { id, repair } = await params;
    if (!setRepairEnd(theStore(), id, numbered(repair, 'repair'), end)) throw notFound(`repair ${repair} of this rig`);
    return NextResponse.json({ end });
  });

/** Takes back what was said to have helped: it counts no more, and the log says so. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, repair } = await params;
    if (!takeRepairBack(theStore(), id, numbered(repair, 'repair'), new Date().toISOString()))
      throw notFound(`repair ${repair} of this rig`);
    return NextResponse.json({ removed: true });
  });
