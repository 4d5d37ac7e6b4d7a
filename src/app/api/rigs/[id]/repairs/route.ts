import { NextResponse, type NextRequest } from 'next/server';
import { repairShape } from '@/core/testing';
import { theStore } from '@/store/database';
import { keepRepair } from '@/store/testing';
import { handled } from '../../../handled';
import { aboutLine } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** Writes down what was put right on a line, and whether it helped. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, body, line } = await aboutLine(request, params, repairShape);
    const text = body.helped
      ? `${line.name}: ${body.act}. It helped; most likely ${body.what}`
      : `${line.name}: ${body.act}. It didn’t help`;
    const repair = keepRepair(theStore(), id, new Date().toISOString(), text, body);
    return NextResponse.json({ id: repair, text }, { status: 201 });
  });
