import { NextResponse, type NextRequest } from 'next/server';
import { expectedOn } from '@/core/mains';
import { huntSchema } from '@/core/noise/noise.schema';
import { begunText } from '@/core/noise/told';
import { theStore } from '@/store/database';
import { beginHunt, loadHunts } from '@/store/noise';
import { handled } from '../../../handled';
import { aboutLine, rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** The hunts of a rig, newest first. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    rigIn(id);
    return NextResponse.json({ hunts: loadHunts(theStore(), id) });
  });

/** Begins a hunt. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, body, line, document } = await aboutLine(request, params, huntSchema);
    const { who, ...hunt } = body;
    const text = begunText(hunt, line.name);
    const at = new Date().toISOString();
    const expected = expectedOn(document, line.id);
    return NextResponse.json(beginHunt(theStore(), id, { ...hunt, steps: [], expected }, { at, who, text }), {
      status: 201,
    });
  });
